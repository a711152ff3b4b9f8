/** Longest side of the review copy in pixels. Smaller footage is not enlarged. */
const longestSide = 1280;

const even = (pixels: number): number => Math.max(2, Math.round(pixels / 2) * 2);

/** Size of the review copy: the picture's shape, sides even, at most 1280 long. */
export function reviewSize({ width, height }: { width: number; height: number }): { width: number; height: number } {
  const factor = Math.min(1, longestSide / Math.max(width, height));
  return { width: even(width * factor), height: even(height * factor) };
}
