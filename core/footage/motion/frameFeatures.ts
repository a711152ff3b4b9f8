/** Size of the grey pictures that motion is read from; small enough to forget detail, large enough to tell a hand from a camera. */
export const greyWidth = 64;
export const greyHeight = 36;
export const greyBytes = greyWidth * greyHeight;

/** How far the camera may turn between two frames, in grey pixels each way. */
const mostShift = 5;
/** Width of the border band, in grey pixels. */
const band = 6;

/** What one frame tells beside the one before it. */
export interface FrameFeatures {
  /** Mean absolute difference of brightness (0..255) after the camera's own movement is taken out. */
  motion: number;
  /** Share of that difference that lies in the outer band of the picture, 0..1; 0 where nothing moves. */
  border: number;
  /** Mean brightness, 0..255. */
  brightness: number;
  /** The camera's movement since the frame before, in grey pixels: positive when the picture moves right, down. */
  shiftX: number;
  shiftY: number;
}

/** Mean absolute difference of two pictures, the first moved by (dx, dy), over every `step`-th pixel of what both show. */
function difference(before: Uint8Array, now: Uint8Array, dx: number, dy: number, step: number): number {
  const fromX = Math.max(0, dx);
  const toX = Math.min(greyWidth, greyWidth + dx);
  const fromY = Math.max(0, dy);
  const toY = Math.min(greyHeight, greyHeight + dy);
  let sum = 0;
  let count = 0;
  for (let y = fromY; y < toY; y += step)
    for (let x = fromX; x < toX; x += step) {
      sum += Math.abs(now[y * greyWidth + x]! - before[(y - dy) * greyWidth + x - dx]!);
      count++;
    }
  return sum / count;
}

/** The camera's movement between two pictures: the whole-pixel shift with the least difference; none unless it is clearly less. */
function globalShift(before: Uint8Array, now: Uint8Array): { dx: number; dy: number } {
  let best = { dx: 0, dy: 0 };
  const still = difference(before, now, 0, 0, 1);
  // A picture that hardly changes has not been moved, whatever noise says.
  if (still < 0.6) return best;
  let least = still * 0.97;
  for (let dy = -mostShift; dy <= mostShift; dy++)
    for (let dx = -mostShift; dx <= mostShift; dx++) {
      if (dx === 0 && dy === 0) continue;
      const d = difference(before, now, dx, dy, 2);
      if (d < least) {
        least = d;
        best = { dx, dy };
      }
    }
  return best;
}

/** Features of a frame; the first of a footage (`before` null) moves nowhere. Pictures are `greyBytes` long, row by row. */
export function frameFeatures(before: Uint8Array | null, now: Uint8Array): FrameFeatures {
  if (now.length !== greyBytes || (before && before.length !== greyBytes))
    throw new RangeError(`A grey picture is ${greyBytes} bytes, not ${before ? before.length : now.length}.`);
  let total = 0;
  for (const value of now) total += value;
  const features = { motion: 0, border: 0, brightness: total / greyBytes, shiftX: 0, shiftY: 0 };
  if (!before) return features;
  const { dx, dy } = globalShift(before, now);
  let sum = 0;
  let outer = 0;
  let count = 0;
  for (let y = Math.max(0, dy); y < Math.min(greyHeight, greyHeight + dy); y++)
    for (let x = Math.max(0, dx); x < Math.min(greyWidth, greyWidth + dx); x++) {
      const d = Math.abs(now[y * greyWidth + x]! - before[(y - dy) * greyWidth + x - dx]!);
      sum += d;
      count++;
      if (x < band || x >= greyWidth - band || y < band || y >= greyHeight - band) outer += d;
    }
  return { ...features, motion: sum / count, border: sum > 0 ? outer / sum : 0, shiftX: dx, shiftY: dy };
}
