/** A review that waits: how long it will take and when it was promised. Times are epoch milliseconds. */
export interface WaitingReview {
  id: string;
  deskMinutes: number;
  dueAt: number;
}

/** A review laid into the day. `late` when it ends after its promise. */
export interface PlannedReview {
  id: string;
  startAt: number;
  endAt: number;
  late: boolean;
}

/**
 * Lays reviews end to end into working windows (ascending, not overlapping, epoch ms), due first, equal promises in the
 * given order. A review that does not fit what is left of a window goes on in the next one. What fits no window is left out.
 */
export function layOutDay(waiting: readonly WaitingReview[], windows: readonly { fromAt: number; toAt: number }[]): PlannedReview[] {
  const order = waiting.map((w, i) => ({ w, i })).sort((a, b) => a.w.dueAt - b.w.dueAt || a.i - b.i);
  const plan: PlannedReview[] = [];
  let index = 0;
  let now = windows[0]?.fromAt ?? 0;
  for (const { w } of order) {
    let left = w.deskMinutes * 60_000;
    let startAt: number | null = null;
    while (index < windows.length && left > 0) {
      const window = windows[index]!;
      now = Math.max(now, window.fromAt);
      const here = Math.min(left, window.toAt - now);
      if (here > 0) {
        startAt ??= now;
        now += here;
        left -= here;
      }
      if (left > 0) index++;
    }
    if (left > 0 || startAt === null) break;
    plan.push({ id: w.id, startAt, endAt: now, late: now > w.dueAt });
  }
  return plan;
}
