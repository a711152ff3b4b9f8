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

/**
 * The camera's movement between two pictures: the whole-pixel shift with the least difference, none unless it is clearly less.
 * A coarse grid and the movement just before say where to begin; from there to the best of the eight neighbours each time.
 */
function globalShift(before: Uint8Array, now: Uint8Array, last: Shift): Shift {
  const still = difference(before, now, 0, 0, 1);
  // A picture that hardly changes has not been moved, whatever noise says.
  if (still < 0.6) return standing;
  const tried = new Map<number, number>();
  const of = (dx: number, dy: number): number => {
    const key = dx * 100 + dy;
    let d = tried.get(key);
    if (d === undefined) tried.set(key, (d = difference(before, now, dx, dy, 2)));
    return d;
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
  let sum = 0;
  let outer = 0;
  let count = 0;
  const at = { left: 0, right: 0, top: 0, bottom: 0 };
  for (let y = Math.max(0, dy); y < Math.min(greyHeight, greyHeight + dy); y++)
    for (let x = Math.max(0, dx); x < Math.min(greyWidth, greyWidth + dx); x++) {
      const d = Math.abs(now[y * greyWidth + x]! - before[(y - dy) * greyWidth + x - dx]!);
      sum += d;
      count++;
      const side = x < band ? 'left' : x >= greyWidth - band ? 'right' : null;
      const level = y < band ? 'top' : y >= greyHeight - band ? 'bottom' : null;
      if (side) at[side] += d;
      if (level) at[level] += d;
      if (side || level) outer += d;
    }
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
