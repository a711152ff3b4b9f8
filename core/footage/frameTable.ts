import type { FrameIndex, Seconds } from './units.ts';

/**
 * Frame addressing by the footage's own presentation times, never by frame ÷ rate: phone footage has a variable rate.
 * Times are seconds, ascending; frame indices run from 0 inclusive to `times.length` exclusive.
 */
export interface FrameTable {
  times: readonly Seconds[];
  /** Seconds at which the last frame ends. */
  endSeconds: Seconds;
}

/** Players keep times in other units; a frame's time may come back this much early, in seconds. */
export const timeSlack = 0.0005;

/** Why a list of times is no frame table, in words, or null when it is one. */
export function frameTableFault(times: readonly number[], endSeconds: number): string | null {
  if (times.length === 0) return 'The footage has no frames.';
  for (let i = 0; i < times.length; i++) {
    if (!Number.isFinite(times[i])) return `Frame ${i} has no time.`;
    if (i > 0 && times[i]! <= times[i - 1]!) return `Frame ${i} (${times[i]} s) is not later than frame ${i - 1} (${times[i - 1]} s).`;
  }
  return endSeconds > times[times.length - 1]! ? null : `The footage ends at ${endSeconds} s, before its last frame.`;
}

/** Whether every frame of `earlier` is in `table` under the same index and at the same time: only further frames have come. */
export const continuesTable = (table: FrameTable, earlier: FrameTable): boolean =>
  earlier.times.length <= table.times.length && earlier.times.every((time, frame) => time === table.times[frame]);

/** The nearest index that exists: whole, from 0 to the last frame. */
export function clampFrame(table: FrameTable, frame: FrameIndex): FrameIndex {
  if (!Number.isFinite(frame)) return 0;
  return Math.min(table.times.length - 1, Math.max(0, Math.round(frame)));
}

/** Presentation time of a frame in seconds. */
export const secondsOfFrame = (table: FrameTable, frame: FrameIndex): Seconds => table.times[clampFrame(table, frame)]!;

/** Time at which a frame begins and the one before it ends; of the frame after the last, the footage's end. */
export const secondsOfEdge = (table: FrameTable, frame: FrameIndex): Seconds =>
  frame >= table.times.length ? table.endSeconds : secondsOfFrame(table, frame);

/** Frame on screen at `seconds`: the last one not later than it (binary search); before the first frame, frame 0. */
export function frameAtSeconds(table: FrameTable, seconds: Seconds): FrameIndex {
  const { times } = table;
  let low = 0;
  let high = times.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (times[middle]! <= seconds) low = middle;
    else high = middle - 1;
  }
  return low;
}

/**
 * Where to seek so that exactly this frame is shown: the midpoint between its time and the next one's.
 * Seeking to the time itself may land one frame early, for players keep times in other units (measured, see docs/decisions).
 */
export function seekSecondsOfFrame(table: FrameTable, frame: FrameIndex): Seconds {
  const at = clampFrame(table, frame);
  const next = table.times[at + 1] ?? table.endSeconds;
  return (table.times[at]! + next) / 2;
}
