/** Mulberry32: a small seeded generator of numbers in [0, 1) (public-domain algorithm by T. Ettinger). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const hash = (seed: number, i: number): number => seeded(Math.imul(seed + 1, 0x9e3779b1) ^ Math.imul(i + 7, 0x85ebca6b))();

/** Smooth value noise in [−1, 1]: one knot per unit of `x`, cosine-free smoothstep between knots. */
export function smoothNoise(seed: number, x: number): number {
  const i = Math.floor(x);
  const f = x - i;
  const s = f * f * (3 - 2 * f);
  const a = hash(seed, i);
  const b = hash(seed, i + 1);
  return (a + (b - a) * s) * 2 - 1;
}
