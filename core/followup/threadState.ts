import type { FixVerdict } from './fixProgress.ts';

export const threadStates = ['new', 'working', 'better', 'holding', 'back-again'] as const;
export type ThreadState = (typeof threadStates)[number];

/** One request of a thread: how often it went wrong, and how that compares with the first request. */
export interface ThreadStep {
  rate: number;
  verdict: FixVerdict;
}

/** A thread holds when it has for so many requests in a row not been worse and below half of its first rate. */
const holdsAfter = 3;

/**
 * Where a thread stands (docs/domain.md §7), from its requests, oldest first, each compared with the first: new → working → better →
 * holding →
 * back again. Only the coach closes one.
 */
export function threadState(steps: readonly ThreadStep[]): ThreadState {
  const first = steps[0];
  if (!first || steps.length === 1) return 'new';
  let state: ThreadState = 'working';
  let run = 0;
  for (const { rate, verdict } of steps.slice(1)) {
    const low = verdict !== 'worse' && rate < first.rate / 2;
    run = low ? run + 1 : 0;
    const wasGood: boolean = state === 'better' || state === 'holding';
    if (run >= holdsAfter) state = 'holding';
    else if (verdict === 'better') state = state === 'holding' ? 'holding' : 'better';
    else if (wasGood && (verdict === 'worse' || rate >= first.rate)) state = 'back-again';
    else if (!wasGood && state !== 'back-again') state = 'working';
  }
  return state;
}
