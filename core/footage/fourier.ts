/**
 * An in-place radix-2 transform (Cooley and Tukey 1965) of `size` complex numbers; `size` is a power of two. The inverse is
 * the transform of the conjugate, divided by `size`.
 */
export function fourier(size: number): (re: Float64Array, im: Float64Array) => void {
  if (size < 2 || (size & (size - 1)) !== 0) throw new RangeError(`A transform's size is a power of two, not ${size}.`);
  /** Cosine and sine of each step around the circle: asked for millions of times a footage. */
  const turnCos = Float64Array.from({ length: size / 2 }, (_, i) => Math.cos((-2 * Math.PI * i) / size));
  const turnSin = Float64Array.from({ length: size / 2 }, (_, i) => Math.sin((-2 * Math.PI * i) / size));
  return (re, im) => {
    for (let i = 1, j = 0; i < size; i++) {
      let bit = size >> 1;
      for (; j & bit; bit >>= 1) j ^= bit;
      j ^= bit;
      if (i < j) {
        [re[i], re[j]] = [re[j]!, re[i]!];
        [im[i], im[j]] = [im[j]!, im[i]!];
      }
    }
    for (let length = 2; length <= size; length <<= 1) {
      const half = length / 2;
      const stride = size / length;
      for (let from = 0; from < size; from += length)
        for (let k = 0; k < half; k++) {
          const c = turnCos[k * stride]!;
          const s = turnSin[k * stride]!;
          const a = from + k;
          const b = a + half;
          const tr = re[b]! * c - im[b]! * s;
          const ti = re[b]! * s + im[b]! * c;
          re[b] = re[a]! - tr;
          im[b] = im[a]! - ti;
          re[a]! += tr;
          im[a]! += ti;
        }
    }
  };
}
