/** Colours of clothes as people call them, each by an example (sRGB). */
const named: readonly [words: string, red: number, green: number, blue: number][] = [
  ['black', 28, 28, 30],
  ['grey', 125, 125, 125],
  ['white', 235, 235, 232],
  ['red', 190, 30, 40],
  ['dark red', 100, 25, 35],
  ['orange', 225, 110, 30],
  ['yellow', 230, 200, 60],
  ['green', 50, 140, 70],
  ['dark green', 25, 75, 50],
  ['teal', 25, 130, 135],
  ['light blue', 130, 180, 225],
  ['blue', 35, 85, 185],
  ['dark blue', 28, 40, 85],
  ['violet', 110, 60, 160],
  ['pink', 230, 130, 165],
  ['brown', 105, 70, 45],
  ['sand', 205, 185, 150],
];

/** How light a hall is changes lightness more than hue: differences of lightness count for less. */
const lightnessWeight = 0.5;
/** Half of the side of the square looked at, as a share of the picture's longer side. */
const reach = 0.015;

type Lab = [lightness: number, a: number, b: number];

/** CIELAB of an sRGB colour, D65 (IEC 61966-2-1; CIE 15). */
function labOf(red: number, green: number, blue: number): Lab {
  const linear = (v: number): number => (v <= 10.31475 ? v / 255 / 12.92 : ((v / 255 + 0.055) / 1.055) ** 2.4);
  const [r, g, b] = [linear(red), linear(green), linear(blue)];
  const f = (t: number): number => (t > 216 / 24389 ? Math.cbrt(t) : ((24389 / 27) * t + 16) / 116);
  const x = f((0.4124564 * r + 0.3575761 * g + 0.1804375 * b) / 0.95047);
  const y = f(0.2126729 * r + 0.7151522 * g + 0.072175 * b);
  const z = f((0.0193339 * r + 0.119192 * g + 0.9503041 * b) / 1.08883);
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

const namedLab = named.map(([words, ...rgb]) => ({ words, lab: labOf(...rgb) }));

/** What people call a colour, given as sRGB 0..255: the nearest named one in CIELAB. */
export function colourWords(red: number, green: number, blue: number): string {
  const [l, a, b] = labOf(red, green, blue);
  let best = namedLab[0]!;
  let least = Infinity;
  for (const candidate of namedLab) {
    const [cl, ca, cb] = candidate.lab;
    const distance = Math.hypot((l - cl) * lightnessWeight, a - ca, b - cb);
    if (distance < least) [least, best] = [distance, candidate];
  }
  return best.words;
}

const median = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** The colour's words at a place (shares of width and height) of an RGBA picture: the median of a small square around it. */
export function colourWordsAt(rgba: Uint8ClampedArray, width: number, height: number, x: number, y: number): string {
  const half = Math.max(1, Math.round(Math.max(width, height) * reach));
  const [cx, cy] = [Math.round(x * (width - 1)), Math.round(y * (height - 1))];
  const channels: [number[], number[], number[]] = [[], [], []];
  for (let py = Math.max(0, cy - half); py <= Math.min(height - 1, cy + half); py++)
    for (let px = Math.max(0, cx - half); px <= Math.min(width - 1, cx + half); px++)
      for (const channel of [0, 1, 2] as const) channels[channel].push(rgba[(py * width + px) * 4 + channel]!);
  const [red, green, blue] = channels.map(median) as [number, number, number];
  return colourWords(red, green, blue);
}
