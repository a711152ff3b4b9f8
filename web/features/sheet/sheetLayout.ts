import type { Bout } from '@lean-mentor/contract';
import { frameAtSeconds, secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';

/** Columns of the page in pixels from its left edge: clock, ribbon, and where the notes begin. */
export const clockWidth = 46;
export const ribbonWidth = 150;
export const ribbonMiddle = clockWidth + ribbonWidth / 2;
export const marginLeft = clockWidth + ribbonWidth + 14;

const edge = 8;
/** Ticks of the clock stand at least this many pixels apart. */
const leastTick = 40;
const tickLadder = [1, 2, 5, 10, 15, 30, 60, 120, 300, 600, 1200] as const;

/** Where things stand on a page of `height` pixels that shows the whole footage from top to bottom. */
export interface SheetLayout {
  yOfSeconds: (seconds: number) => number;
  yOf: (frame: number) => number;
  frameAtY: (y: number) => number;
  /** Footage seconds of a frame; of the frame after the last, the footage's end. */
  secondsAt: (frame: number) => number;
  boutStart: number;
  boutTop: number;
  boutBottom: number;
  /** Seconds of the bout at which the clock is written. */
  ticks: number[];
}

/** `pageSeconds`: how long the footage will be, where more of it is to come; all of it is what the table has otherwise. */
export function sheetLayout(table: FrameTable, bout: Bout | undefined, height: number, pageSeconds = table.endSeconds): SheetLayout {
  const inner = Math.max(1, height - 2 * edge);
  const yOfSeconds = (seconds: number): number => edge + (seconds / pageSeconds) * inner;
  const secondsAt = (frame: number): number => (frame >= table.times.length ? table.endSeconds : secondsOfFrame(table, frame));
  const boutStart = secondsAt(bout?.fromFrame ?? 0);
  const secondsPerPixel = pageSeconds / inner;
  const every = tickLadder.find((s) => s / secondsPerPixel >= leastTick) ?? 1200;
  return {
    yOfSeconds,
    yOf: (frame) => yOfSeconds(secondsAt(frame)),
    frameAtY: (y) => frameAtSeconds(table, (y - edge) * secondsPerPixel),
    secondsAt,
    boutStart,
    boutTop: yOfSeconds(boutStart),
    boutBottom: yOfSeconds(secondsAt(bout?.toFrame ?? table.times.length)),
    ticks: Array.from({ length: Math.floor((pageSeconds - boutStart) / every) + 1 }, (_, i) => i * every),
  };
}
