/** Tools in the order of their keys, 1 to 9. */
export const drawingTools = ['arrow', 'bent-arrow', 'freehand', 'angle', 'ring', 'gap', 'post', 'weight-line', 'label'] as const;
export type DrawingTool = (typeof drawingTools)[number];
export const strokeColours = ['client', 'partner', 'chalk'] as const;
export type StrokeColour = (typeof strokeColours)[number];
export const strokeWeights = ['thin', 'plain', 'bold'] as const;
export type StrokeWeight = (typeof strokeWeights)[number];

/** A spot of the picture: fractions of its width and height, origin top left, so it holds at any size. */
export interface PicturePoint {
  x: number;
  y: number;
  /** How hard a pen pressed, 0..1; absent where there was no pen. */
  pressure?: number | undefined;
}

export interface DrawingKey {
  frame: number;
  points: PicturePoint[];
}

export interface Drawing {
  id: string;
  footageId: string;
  tool: DrawingTool;
  colour: StrokeColour;
  weight: StrokeWeight;
  /** What a label says; empty for other tools. */
  words: string;
  points: PicturePoint[];
  /** Where it is at some frames, ascending; empty: it stays where `points` say. All have as many points. */
  keys: DrawingKey[];
  fromFrame: number;
  toFrame: number;
}

/** How a tool is drawn with: by dragging (its points are gathered), or by so many presses; 0 presses: until it is closed. */
export const toolGesture: Record<DrawingTool, { drag: 'ends' | 'path' } | { presses: number }> = {
  arrow: { drag: 'ends' },
  'bent-arrow': { drag: 'path' },
  freehand: { drag: 'path' },
  angle: { presses: 3 },
  ring: { drag: 'ends' },
  gap: { presses: 0 },
  post: { presses: 1 },
  'weight-line': { drag: 'ends' },
  label: { presses: 1 },
};

/**
 * Where a drawing is on a frame: between keys every point runs straight and evenly in time; before the first and after the last it rests.
 */
export function drawingPoints(
  { points, keys }: Pick<Drawing, 'points' | 'keys'>,
  frame: number,
  secondsAt: (frame: number) => number,
): PicturePoint[] {
  const after = keys.findIndex((key) => key.frame > frame);
  if (keys.length === 0) return points;
  if (after === 0) return keys[0]!.points;
  const before = keys[after === -1 ? keys.length - 1 : after - 1]!;
  const next = keys[after];
  if (!next || before.points.length !== next.points.length) return before.points;
  const [from, to] = [secondsAt(before.frame), secondsAt(next.frame)];
  const share = to > from ? (secondsAt(frame) - from) / (to - from) : 0;
  const between = (a: number, b: number): number => a + (b - a) * share;
  return before.points.map((a, i) => ({ ...a, x: between(a.x, next.points[i]!.x), y: between(a.y, next.points[i]!.y) }));
}

/** What to set when a drawing is put elsewhere on a frame: its points, or where it has keys, its key on that frame. */
export function movedDrawing(
  { keys }: Pick<Drawing, 'keys'>,
  frame: number,
  points: PicturePoint[],
): Partial<Pick<Drawing, 'points' | 'keys'>> {
  if (keys.length === 0) return { points };
  return { keys: [...keys.filter((key) => key.frame !== frame), { frame, points }].sort((a, b) => a.frame - b.frame) };
}

/** What to set when a drawing is pinned where it is (`points`) on a frame, or, where it has a pin there, when that is taken away. */
export function pinToggled(
  { keys }: Pick<Drawing, 'keys'>,
  frame: number,
  points: PicturePoint[],
): Partial<Pick<Drawing, 'points' | 'keys'>> {
  const others = keys.filter((key) => key.frame !== frame);
  if (others.length === keys.length) return { keys: [...keys, { frame, points }].sort((a, b) => a.frame - b.frame) };
  // Without its last pin it stays where that held it.
  return { keys: others, ...(others.length === 0 && { points }) };
}

/** A copy that begins on a frame as the drawing looks there, its pins as far apart as they were, within a footage of `frames` frames. */
export function pastedDrawing(copied: Drawing, frame: number, frames: number, secondsAt: (frame: number) => number): Omit<Drawing, 'id'> {
  const { id: _id, fromFrame, toFrame, keys, ...rest } = copied;
  const shown = Math.min(Math.max(frame, fromFrame), toFrame - 1);
  return {
    ...rest,
    points: drawingPoints(copied, shown, secondsAt),
    keys: keys.map((key) => ({ ...key, frame: Math.max(0, key.frame + frame - fromFrame) })),
    fromFrame: frame,
    toFrame: Math.min(frames, frame + toFrame - fromFrame),
  };
}

/** In and out of its life a drawing fades over this long, in seconds. */
const fadeSeconds = 0.2;

/** How opaque a drawing is while the footage plays, 0..1. Standing still it is always whole, so that what was drawn is seen. */
export function drawingOpacity(
  { fromFrame, toFrame }: Pick<Drawing, 'fromFrame' | 'toFrame'>,
  frame: number,
  secondsAt: (frame: number) => number,
): number {
  if (frame < fromFrame || frame >= toFrame) return 0;
  const [since, left] = [secondsAt(frame) - secondsAt(fromFrame), secondsAt(toFrame) - secondsAt(frame)];
  const fade = Math.min(fadeSeconds, (secondsAt(toFrame) - secondsAt(fromFrame)) / 2);
  return fade > 0 ? Math.min(1, Math.max(0.1, Math.min(since, left) / fade)) : 1;
}
