import { decisionWords, scoreText, tapsText, type Athlete, type Decision, type Score } from '../scoring/index.ts';

/** How a bout stood when the critique was written, and by which sheet. */
export interface SentScore extends Decision {
  boutId: string;
  /** Name of the rule sheet. */
  sheet: string;
  score: Score;
  /** Who finished each fall of a round that went on after a finish; empty where a finish ended it, or none was. */
  falls: readonly { athlete: Athlete }[];
}

/**
 * "Scored by “Points, jacket”: 17 : 5, on points; 2 : 0 in taps.", the client's first; a line for each bout that was scored, with its
 * number where there are several.
 */
export function scoredBy(scores: readonly SentScore[]): string[] {
  return scores.flatMap(({ sheet, score, decidedBy, falls }, i) => {
    const parts = [
      ...(decidedBy === 'not-scored' ? [] : [[scoreText(score), decisionWords[decidedBy]].join(', ')]),
      ...(falls.length > 0 ? [tapsText(falls)] : []),
    ];
    const which = scores.length > 1 ? `Bout ${i + 1}, scored` : 'Scored';
    return parts.length > 0 ? [`${which} by “${sheet}”: ${parts.join('; ')}.`] : [];
  });
}
