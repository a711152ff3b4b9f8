import { forBoth, type Athlete } from './athlete.ts';
import { leaderOf } from './decideBout.ts';
import type { RuleSheet } from './ruleSheet.ts';
import type { BoutScore, Decision, Doubt, Score, ScoreEntry } from './score.ts';

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

/** An override is against the entry of its athlete and action at its instant; it was made on a frame, hence so many seconds of leeway. */
const sameInstant = 0.1;
const isAgainst = (override: ScoreOverride, { athlete, action, at }: ScoreEntry): boolean =>
  override.athlete === athlete && override.action === action && Math.abs(override.at - at) <= sameInstant;

/**
 * The bout as the coach sees it: what was given and refused with the corrections in it, and who won then. What reads a bout further
 * (harm, the line in the critique) reads this; the computed result stays as it was.
 */
export function correctedBout(sheet: RuleSheet, result: BoutScore, overrides: readonly ScoreOverride[]): BoutScore {
  const corrected = correctedScore(sheet, result, overrides);
  if (!corrected) return result;
  const awards = result.awards.map((entry) => ({ ...entry }));
  let { refusals } = result;
  for (const override of overrides) {
    const { athlete, action, at, points, near } = override;
    const given = awards.find((entry) => isAgainst(override, entry));
    if (given) Object.assign(given, { points: given.points + points, near: given.near + near, reason: overrideWords(override) });
    else {
      refusals = refusals.filter((entry) => !isAgainst(override, entry));
      awards.push({ athlete, action, at, bankedAt: at, points, near, reason: overrideWords(override) });
    }
  }
  const isWorth = ({ points, near }: ScoreEntry): boolean => points !== 0 || near !== 0;
  const isAnswered = ({ kind, athlete, at }: Doubt): boolean =>
    overrides.some(
      (override) =>
        override.athlete === athlete &&
        Math.abs(override.at - at) <= sameInstant &&
        (override.action === 'finish') === (kind === 'forbidden'),
    );
  return {
    ...result,
    ...corrected,
    doubts: result.doubts.filter((doubt) => !isAnswered(doubt)),
    awards: awards.filter(isWorth).sort((a, b) => a.bankedAt - b.bankedAt),
    refusals: [...refusals, ...awards.filter((entry) => !isWorth(entry))].sort((a, b) => a.at - b.at),
  };
}

/** Who an override is against, in words: what it takes from one is not given to the other. */
export const overrideWords = ({ athlete, action, points, near, why }: ScoreOverride): string => {
  const change = [
    points !== 0 && `${points > 0 ? '+' : '−'}${Math.abs(points)} points`,
    near !== 0 && `${near > 0 ? '+' : '−'}${Math.abs(near)} near`,
  ];
  return `${athlete === 'client' ? 'Client' : 'Partner'}, ${action.replaceAll('-', ' ')}: ${change.filter(Boolean).join(', ') || 'no change'}${why ? `. ${why}` : ''}`;
};
