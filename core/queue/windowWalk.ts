import type { TimeSpan } from './workingHours.ts';

/** A place in working time: an instant (epoch ms) and the window it lies in or before. */
export interface Walker {
  at: number;
  window: number;
}

/** Sets a walker to the first working instant at or after `at`; infinite when there is none. It only goes on, never back. */
export function walkTo(walker: Walker, at: number, windows: readonly TimeSpan[]): void {
  walker.at = Math.max(walker.at, at);
  while (walker.window < windows.length && windows[walker.window]!.toAt <= walker.at) walker.window++;
  const window = windows[walker.window];
  walker.at = window ? Math.max(walker.at, window.fromAt) : Infinity;
}

/** Moves a walker on by `work` ms of working time, over as many windows as that takes; infinite where they end before. */
export function walkOn(walker: Walker, work: number, windows: readonly TimeSpan[]): void {
  let left = work;
  while (walker.at !== Infinity) {
    const window = windows[walker.window];
    if (!window) {
      walker.at = Infinity;
      return;
    }
    if (walker.at < window.fromAt) walker.at = window.fromAt;
    const here = window.toAt - walker.at;
    if (left <= here) {
      walker.at += left;
      return;
    }
    left -= here;
    walker.window++;
    walker.at = windows[walker.window]?.fromAt ?? Infinity;
  }
}
