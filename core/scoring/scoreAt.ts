import { otherAthlete } from './athlete.ts';
import type { BoutScore, Score } from './score.ts';
import { sumScore } from './sumScore.ts';
import { clockSlack } from './clockSlack.ts';
import type { TimedBout } from './timedBout.ts';

/** The score as it stood at a second of the footage clock since the bout's start; what is banked at that very instant counts. */
export function scoreAt(bout: Pick<TimedBout, 'events'>, { awards }: Pick<BoutScore, 'awards'>, seconds: number): Score {
  const by = seconds + clockSlack;
  const penalties = { client: 0, partner: 0 };
  for (const event of bout.events) if (event.kind === 'penalty' && event.at <= by) penalties[event.athlete] += 1;
  return sumScore(
    awards.filter(({ bankedAt }) => bankedAt <= by),
    penalties,
  );
}

/** One side of a score: "2", with near points in brackets where there are any. */
export const sideText = ({ points, near }: Score['client']): string => `${points}${near > 0 ? ` (${near})` : ''}`.replaceAll('-', '−');

/** "2 : 0". */
export const scoreText = ({ client, partner }: Score): string => `${sideText(client)} : ${sideText(partner)}`;

/** The score with so many points more for one athlete. */
export const withPoints = (score: Score, athlete: 'client' | 'partner', points: number): Score => {
  const other = otherAthlete(athlete);
  return { ...score, [athlete]: { ...score[athlete], points: score[athlete].points + points }, [other]: score[other] };
};
