import type { FixVerdict } from '../followup/index.ts';
import { partWords, type Part } from '../care/index.ts';
import type { WorkState } from './workDates.ts';

export interface LookedAt {
  state: WorkState;
  stoppedBy: readonly Part[];
  /** How often it was done. */
  times: number;
  verdict: FixVerdict | null;
  /** How it felt each time, oldest first; null: not said. */
  felt: readonly (number | null)[];
}

/** Done so often without a change asks for another way in. */
const oftenEnough = 5;
const badly = 2;
const badTimes = 3;

/** Why somebody of the coaching side should look at work, in one sentence; empty where nothing asks for it. */
export function stuckWords({ state, stoppedBy, times, verdict, felt }: LookedAt): string {
  if (state === 'stopped') return `Pain: ${[...new Set(stoppedBy.map(partWords))].join(', ')}. It rests until you have spoken.`;
  if (state === 'missed') return 'Was due and has not been done for over a week.';
  if (state === 'ended' || state === 'paused') return '';
  if (verdict === 'worse') return 'The retests get worse.';
  if (verdict === 'about-the-same' && times >= oftenEnough) return `Done ${times} times and about the same. Another way in?`;
  const last = felt.filter((one) => one !== null).slice(-badTimes);
  if (last.length === badTimes && last.every((one) => one <= badly)) return `Felt badly ${badTimes} times in a row.`;
  return '';
}
