import { forBoth, type Athlete } from './athlete.ts';
import type { Score, ScoreEntry } from './score.ts';

/** Sums of entries, and the penalties there were by then. */
export function sumScore(entries: readonly Pick<ScoreEntry, 'athlete' | 'points' | 'near'>[], penalties: Record<Athlete, number>): Score {
  return forBoth((athlete) => {
    const own = entries.filter((entry) => entry.athlete === athlete);
    return {
      points: own.reduce((sum, { points }) => sum + points, 0),
      near: own.reduce((sum, { near }) => sum + near, 0),
      penalties: penalties[athlete],
    };
  });
}
