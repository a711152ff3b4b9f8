import { clampFrame, frameAtSeconds, secondsOfFrame, type FrameTable } from './frameTable.ts';

/** A new drawing is seen this long, in seconds, from the frame it was drawn on. */
const lifeSeconds = 1;

/** The frames a drawing made on `frame` lives for: `fromFrame` inclusive, `toFrame` exclusive, at least one frame. */
export function drawingLife(table: FrameTable, frame: number): { fromFrame: number; toFrame: number } {
  const fromFrame = clampFrame(table, frame);
  const end = secondsOfFrame(table, fromFrame) + lifeSeconds;
  const toFrame = end >= table.endSeconds ? table.times.length : Math.max(fromFrame + 1, frameAtSeconds(table, end));
  return { fromFrame, toFrame };
}
