import { agreementWithClient, type Agreement, type Note } from '../desk/index.ts';
import type { Athlete } from '../scoring/index.ts';
import { looksOfSeries, retestAnswer, seriesNow, type RetestAnswer } from './retests.ts';

interface EyeMark {
  id: string;
  footageId: string;
  atSeconds: number;
  /** Their guess where it began. */
  began: boolean;
}
interface EyeMoment {
  id: string;
  footageId: string;
  atSeconds: number;
  kind: Note['kind'];
  athlete: Athlete;
}

/** A client's own look at their footage beside the coach's. */
export interface OwnEye extends Agreement {
  /** Whether their guess where it began is among the moments of the first fix; null: they made none. */
  began: 'agreed' | 'elsewhere' | null;
}

/** Lays a client's own marks beside the moments that were sent. `firstFix`: the moments of the fix that came first. */
export function ownEye(marks: readonly EyeMark[], moments: readonly EyeMoment[], firstFix: readonly string[]): OwnEye {
  // Every moment stands at a second of its own; the frame that is asked for is its place in the list.
  const notes = moments.map((moment, i) => ({ ...moment, fromFrame: i, toFrame: null, visible: 'client' as const }));
  const agreement = agreementWithClient(marks, notes, (_, i) => moments[i]!.atSeconds);
  const guess = marks.find(({ began }) => began);
  const met = guess && agreement.agreed.find(({ markId }) => markId === guess.id);
  return { ...agreement, began: guess ? (met && firstFix.includes(met.noteId) ? 'agreed' : 'elsewhere') : null };
}

/** Of all that either of the two marked, what both did. */
export const eyeCounts = ({ agreed, notShared, notSeen }: Agreement): { successes: number; chances: number } => ({
  successes: agreed.length,
  chances: agreed.length + notShared.length + notSeen.length,
});

/** Whether an eye gets closer from one critique to the next, oldest first; null below two of them. The same test as for retests. */
export function eyeTrend(counts: readonly { successes: number; chances: number }[]): RetestAnswer | null {
  const told = seriesNow(counts.filter(({ chances }) => chances > 0));
  return told.length < 2 ? null : retestAnswer({ kind: 'chance', series: told }, looksOfSeries);
}
