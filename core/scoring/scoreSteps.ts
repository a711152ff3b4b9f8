import { boutClock } from './boutClock.ts';
import { clockText } from '../footage/index.ts';
import { playedStretches } from './playedStretches.ts';
import { placeWords, sideNames } from './placeWords.ts';
import type { RuleSheet } from './ruleSheet.ts';
import { scoreBout } from './scoreBout.ts';
import type { TimedBout } from './timedBout.ts';

/** One line of the answer to "Would that score?". `at` is on the footage clock, seconds since the bout's start. */
export interface ScoreStep {
  at: number;
  kind: 'position' | 'award' | 'refusal';
  words: string;
}

/**
 * "Would that score?": what the engine sees between two seconds of a bout and what it makes of each, step by step, in the order of
 * time. Entries count whose action was reached in the stretch, however much later they are given.
 */
export function scoreSteps(bout: TimedBout, sheet: RuleSheet, from: number, to: number): ScoreStep[] {
  const clock = boutClock(bout);
  const { awards, refusals } = scoreBout(bout, sheet);
  const inside = ({ at }: { at: number }): boolean => at >= from && at <= to;
  const positions = playedStretches(bout.spans, clock)
    .map((stretch, i) => ({ ...stretch, i }))
    .filter((stretch) => clock.footageAt(stretch.to) > from && clock.footageAt(stretch.from) < to)
    .map(({ i, ...stretch }): ScoreStep => {
      const held = `${(stretch.to - stretch.from).toFixed(1)} s`;
      const begun =
        stretch.begun === 'restart' ? ' (put there by the referee)' : stretch.begun === 'start' && i > 0 ? ' (after the tap)' : '';
      return {
        at: clock.footageAt(stretch.from),
        kind: 'position',
        words: `${clockText(stretch.from)} ${placeWords(stretch, sideNames)}, ${held}${begun}.`,
      };
    });
  const entries = (kind: 'award' | 'refusal', list: typeof awards): ScoreStep[] =>
    list.filter(inside).map((entry) => {
      const worth = kind === 'award' ? ` ${entry.points !== 0 ? `${entry.points} points` : `${entry.near} near`}.` : ' Nothing.';
      return { at: entry.at, kind, words: `${sideNames[entry.athlete]} ${entry.reason}.${worth}` };
    });
  return [...positions, ...entries('award', awards), ...entries('refusal', refusals)].sort((a, b) => a.at - b.at);
}
