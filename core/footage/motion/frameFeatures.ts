/** Size of the grey pictures that motion is read from; small enough to forget detail, large enough to tell a hand from a camera. */
export const greyWidth = 64;
export const greyHeight = 36;
export const greyBytes = greyWidth * greyHeight;

/** How far the camera may turn between two frames, in grey pixels each way. */
const mostShift = 5;
/** Width of the border band, in grey pixels. */
const band = 6;

/** The picture's edges, as bodies leave it. */
export const pictureEdges = ['left', 'right', 'top', 'bottom'] as const;
export type PictureEdge = (typeof pictureEdges)[number];

/** What one frame tells beside the one before it. */
export interface FrameFeatures {
  /** Mean absolute difference of brightness (0..255) after the camera's own movement is taken out. */
  motion: number;
  /** Share of that difference that lies in the outer band of the picture, 0..1; 0 where nothing moves. */
  border: number;
  /** Share of it in the band along each edge, 0..1; a corner counts for both of its edges. */
  edges: Record<PictureEdge, number>;
  /** Mean brightness, 0..255. */
  brightness: number;
  /** The camera's movement since the frame before, in grey pixels: positive when the picture moves right, down. */
  shiftX: number;
  shiftY: number;
}

/** A frame in which nothing moves, as bright as can be. */
export const nothingMoves: Readonly<FrameFeatures> = {
  motion: 0,
  border: 0,
  edges: { left: 0, right: 0, top: 0, bottom: 0 },
  brightness: 255,
  shiftX: 0,
  shiftY: 0,
};

interface Shift {
  dx: number;
  dy: number;
}
const standing: Shift = { dx: 0, dy: 0 };
const starts = [0, -3, 3];

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

/** Shifts each way, and what was found at each: one workspace, since a footage has tens of thousands of frames. */
const shifts = 2 * mostShift + 1;
const tried = new Float64Array(shifts * shifts);

/**
 * The camera's movement between two pictures: the whole-pixel shift with the least difference, none unless it is clearly less.
 * A coarse grid and the movement just before say where to begin; from there to the best of the eight neighbours each time.
 */
function globalShift(before: Uint8Array, now: Uint8Array, last: Shift): Shift {
  const still = difference(before, now, 0, 0, 1);
  // A picture that hardly changes has not been moved, whatever noise says.
  if (still < 0.6) return standing;
  tried.fill(-1);
  const of = (dx: number, dy: number): number => {
    const key = (dy + mostShift) * shifts + dx + mostShift;
    if (tried[key]! < 0) tried[key] = difference(before, now, dx, dy, 2);
    return tried[key]!;
  };
  let here = standing;
  const tryShift = (dx: number, dy: number): void => {
    if (Math.abs(dx) <= mostShift && Math.abs(dy) <= mostShift && of(dx, dy) < of(here.dx, here.dy)) here = { dx, dy };
  };
  for (const dy of starts) for (const dx of starts) tryShift(dx, dy);
  tryShift(last.dx, last.dy);
  let from: Shift;
  do {
    from = here;
    for (let dy = -1; dy <= 1; dy++) for (let dx = -1; dx <= 1; dx++) tryShift(from.dx + dx, from.dy + dy);
  } while (from !== here);
  return of(here.dx, here.dy) < still * 0.97 ? here : standing;
}

/**
 * Features of a frame; the first of a footage (`before` null) moves nowhere. Pictures are `greyBytes` long, row by row.
 * `last` are the features of the frame before, from whose camera movement the search begins.
 */
export function frameFeatures(before: Uint8Array | null, now: Uint8Array, last?: Pick<FrameFeatures, 'shiftX' | 'shiftY'>): FrameFeatures {
  if (now.length !== greyBytes || (before && before.length !== greyBytes))
    throw new RangeError(`A grey picture is ${greyBytes} bytes, not ${before ? before.length : now.length}.`);
  let total = 0;
  for (const value of now) total += value;
  const brightness = total / greyBytes;
  if (!before) return { ...nothingMoves, brightness };
  const { dx, dy } = globalShift(before, now, last ? { dx: last.shiftX, dy: last.shiftY } : standing);
  /** Differences of one row between two columns. */
  const run = (y: number, fromX: number, toX: number): number => {
    const at = y * greyWidth;
    const beforeAt = (y - dy) * greyWidth - dx;
    let rowSum = 0;
    for (let x = fromX; x < toX; x++) rowSum += Math.abs(now[at + x]! - before[beforeAt + x]!);
    return rowSum;
  };
  const [fromX, toX] = [Math.max(0, dx), Math.min(greyWidth, greyWidth + dx)];
  const [fromY, toY] = [Math.max(0, dy), Math.min(greyHeight, greyHeight + dy)];
  const at = { left: 0, right: 0, top: 0, bottom: 0 };
  let sum = 0;
  let outer = 0;
  for (let y = fromY; y < toY; y++) {
    const left = run(y, fromX, band);
    const middle = run(y, Math.max(fromX, band), Math.min(toX, greyWidth - band));
    const right = run(y, greyWidth - band, toX);
    const row = left + middle + right;
    sum += row;
    at.left += left;
    at.right += right;
    if (y < band) at.top += row;
    if (y >= greyHeight - band) at.bottom += row;
    outer += y < band || y >= greyHeight - band ? row : left + right;
  }
  const count = (toX - fromX) * (toY - fromY);
  if (sum === 0) return { ...nothingMoves, brightness, shiftX: dx, shiftY: dy };
  const share = (part: number): number => part / sum;
  return {
    motion: sum / count,
    border: share(outer),
    edges: { left: share(at.left), right: share(at.right), top: share(at.top), bottom: share(at.bottom) },
    brightness,
    shiftX: dx,
    shiftY: dy,
  };
}
