/** A timer as it is set. All in seconds. */
export interface TimerPlan {
  /** Counted down before the first round, so that nobody needs a hand to start it. */
  readySeconds: number;
  workSeconds: number;
  restSeconds: number;
  rounds: number;
}

export const usualReadySeconds = 10;
/** A short sound so long before the end of a round, in s. */
const lastSeconds = 10;

/** Where a timer is. `round` counts from 0. */
export interface TimerAt {
  phase: 'ready' | 'work' | 'rest' | 'over';
  round: number;
  leftMs: number;
  /** How long this phase is in all, in ms. */
  ofMs: number;
}

/** A timer that runs, as it outlives its page: by the clock on the wall, in ms since 1970. */
export interface RunningTimer {
  startedAt: number;
  /** Held since; null: it runs. */
  heldAt: number | null;
  /** How long it was held before, in ms. */
  heldMs: number;
}

/** How long a timer has run. A clock that was set back does not make it run backwards below nothing. */
export const ranMs = ({ startedAt, heldAt, heldMs }: RunningTimer, now: number): number =>
  Math.max(0, (heldAt ?? now) - startedAt - heldMs);

export const holdTimer = (timer: RunningTimer, now: number): RunningTimer => (timer.heldAt === null ? { ...timer, heldAt: now } : timer);
export const goOn = (timer: RunningTimer, now: number): RunningTimer =>
  timer.heldAt === null ? timer : { ...timer, heldAt: null, heldMs: timer.heldMs + Math.max(0, now - timer.heldAt) };

/** Starts of rounds after the timer's start, in ms. */
const roundStart = ({ readySeconds, workSeconds, restSeconds }: TimerPlan, round: number): number =>
  (readySeconds + round * (workSeconds + restSeconds)) * 1000;

/** How long all of it takes, in ms; no rest after the last round. */
export const wholeMs = (plan: TimerPlan): number => roundStart(plan, plan.rounds) - plan.restSeconds * 1000;

/** Where it is after it ran so long. */
export function timerAt(plan: TimerPlan, afterMs: number): TimerAt {
  const [ready, work, rest] = [plan.readySeconds * 1000, plan.workSeconds * 1000, plan.restSeconds * 1000];
  if (afterMs < ready) return { phase: 'ready', round: 0, leftMs: ready - afterMs, ofMs: ready };
  if (afterMs >= wholeMs(plan)) return { phase: 'over', round: plan.rounds - 1, leftMs: 0, ofMs: 0 };
  const round = Math.floor((afterMs - ready) / (work + rest));
  const within = afterMs - roundStart(plan, round);
  return within < work
    ? { phase: 'work', round, leftMs: work - within, ofMs: work }
    : { phase: 'rest', round, leftMs: work + rest - within, ofMs: rest };
}

/** How long one round ran in all, in ms, when the timer has run so long. */
export const roundRanMs = (plan: TimerPlan, round: number, afterMs: number): number =>
  Math.min(plan.workSeconds * 1000, Math.max(0, afterMs - roundStart(plan, round)));

export type Bell = 'begin' | 'soon' | 'end';

/** What is to be heard between two looks at it, `from` exclusive, `to` inclusive, in order; none twice however often one looks. */
export function bellsBetween(plan: TimerPlan, fromMs: number, toMs: number): Bell[] {
  const all = Array.from({ length: plan.rounds }, (_, round): [number, Bell][] => {
    const start = roundStart(plan, round);
    const end = start + plan.workSeconds * 1000;
    return [
      [start, 'begin'],
      ...(plan.workSeconds > 3 * lastSeconds ? [[end - lastSeconds * 1000, 'soon'] as [number, Bell]] : []),
      [end, 'end'],
    ];
  }).flat();
  return all.filter(([at]) => fromMs < at && at <= toMs).map(([, bell]) => bell);
}
