import { forBoth, type Athlete } from './athlete.ts';
import { leaderOf } from './decideBout.ts';
import type { RuleSheet } from './ruleSheet.ts';
import type { BoutScore, Decision, Score } from './score.ts';

/** What the coach says against the engine. It stands beside the computed result, never over it. Seconds as in ScoreEntry. */
export interface ScoreOverride {
  id: string;
  athlete: Athlete;
  action: string;
  at: number;
  /** Points and near points more (or fewer) than the engine gives: an award refused is minus what it gave. */
  points: number;
  near: number;
  why: string;
}

export interface CorrectedScore extends Decision {
  score: Score;
}

/** The score with the coach's corrections added; null where there are none. A finish and a loss by penalties stay as they were. */
export function correctedScore(sheet: RuleSheet, result: BoutScore, overrides: readonly ScoreOverride[]): CorrectedScore | null {
  if (overrides.length === 0) return null;
  const score = forBoth((athlete) => {
    const own = overrides.filter((override) => override.athlete === athlete);
    const sum = (of: 'points' | 'near'): number => own.reduce((total, override) => total + override[of], 0);
    const { points, near, penalties } = result.score[athlete];
    return { points: points + sum('points'), near: near + sum('near'), penalties };
  });
  if (['finish', 'disqualification', 'not-scored'].includes(result.decidedBy))
    return { score, winner: result.winner, decidedBy: result.decidedBy };
  const leader = leaderOf(sheet, score);
  return { score, winner: leader?.athlete ?? null, decidedBy: leader?.by ?? 'referee' };
}

/** Who an override is against, in words: what it takes from one is not given to the other. */
export const overrideWords = ({ athlete, action, points, near, why }: ScoreOverride): string => {
  const change = [
    points !== 0 && `${points > 0 ? '+' : '−'}${Math.abs(points)} points`,
    near !== 0 && `${near > 0 ? '+' : '−'}${Math.abs(near)} near`,
  ];
  return `${athlete === 'client' ? 'Client' : 'Partner'}, ${action.replaceAll('-', ' ')}: ${change.filter(Boolean).join(', ') || 'no change'}${why ? `. ${why}` : ''}`;
};
