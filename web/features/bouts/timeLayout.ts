import { frameAtSeconds, secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';

/** Columns of the page, in pixels from its left edge. */
export const columns = { clock: 46, thumb: 50, thumbWidth: 96, sound: 152, soundWidth: 46, motion: 204, motionWidth: 34, bouts: 250 };

/** Pixels a second of footage takes at least, and how tall the page is at least and at most. */
const perSecond = 3;
const tall = { least: 620, most: 9000 };
const tickLadder = [5, 10, 15, 30, 60, 120, 300, 600] as const;
const leastTick = 46;

/** Where moments of the footage stand on a page whose time runs down. */
export interface TimeLayout {
  height: number;
  yOfSeconds: (seconds: number) => number;
  /** Of a frame; of the one after the last, the page's end. */
  yOf: (frame: number) => number;
  frameAtY: (y: number) => number;
  ticks: number[];
}

export function timeLayout(table: FrameTable): TimeLayout {
  const height = Math.round(Math.min(tall.most, Math.max(tall.least, table.endSeconds * perSecond)));
  const yOfSeconds = (seconds: number): number => (seconds / table.endSeconds) * height;
  const every = tickLadder.find((seconds) => yOfSeconds(seconds) >= leastTick) ?? 600;
  return {
    height,
    yOfSeconds,
    yOf: (frame) => (frame >= table.times.length ? height : yOfSeconds(secondsOfFrame(table, frame))),
    frameAtY: (y) => frameAtSeconds(table, (Math.min(height, Math.max(0, y)) / height) * table.endSeconds),
    ticks: Array.from({ length: Math.floor(table.endSeconds / every) + 1 }, (_, i) => i * every),
  };
}

/** The strongest value of each pixel row. `yAt` gives the row of a value by its index. */
export function strongestByRow(values: readonly number[], height: number, yAt: (index: number) => number): Float64Array {
  const rows = new Float64Array(height);
  values.forEach((value, i) => {
    const row = Math.min(height - 1, Math.max(0, Math.floor(yAt(i))));
    if (value > rows[row]!) rows[row] = value;
  });
  return rows;
}

/** Frames of the strip that find room below one another, each `tall` pixels high. */
export function spacedPictures(
  frames: readonly number[],
  yOf: (frame: number) => number,
  height: number,
): { index: number; frame: number }[] {
  let free = 0;
  return frames.flatMap((frame, index) => {
    if (yOf(frame) < free) return [];
    free = yOf(frame) + height + 2;
    return [{ index, frame }];
  });
}
