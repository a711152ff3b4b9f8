import { clockText } from '../footage/index.ts';
import type { ScoredAction } from './ruleSheet.ts';

/** What an action is called. */
export const actionWords: Readonly<Record<ScoredAction, string>> = {
  takedown: 'takedown',
  sweep: 'sweep',
  reversal: 'reversal',
  pass: 'pass',
  'knee-on-belly': 'knee on belly',
  mount: 'mount',
  'back-mount': 'back mount',
  'back-control': 'back control',
};

/** How reaching it is said: "reached mount at 2:14". */
const reachedWords: Readonly<Record<ScoredAction, string>> = {
  takedown: 'took the other down',
  sweep: 'swept to the top',
  reversal: 'turned a pin over to the top',
  pass: 'passed the guard',
  'knee-on-belly': 'reached knee on belly',
  mount: 'reached mount',
  'back-mount': 'reached back mount',
  'back-control': 'reached back control',
};

/** "reached mount at 2:14", on the bout clock, and by which way, where it was not straight. */
export const reachedText = ({ action, reached, way }: { action: ScoredAction; reached: number; way: string }): string =>
  `${reachedWords[action]} at ${clockText(reached)}${way}`;

/** A number of seconds as short as it is exact enough: "3 s", "1.8 s". Never rounded up to what was not reached. */
export const secondsText = (seconds: number): string => `${Math.floor(seconds * 10 + 1e-6) / 10} s`;
