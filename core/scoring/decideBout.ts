import type { Athlete } from './athlete.ts';
import type { RuleSheet } from './ruleSheet.ts';
import type { Decision, Score } from './score.ts';

/** Above 0 where the client leads by what a tie-break compares. */
const lead = {
  points: ({ client, partner }: Score): number => client.points - partner.points,
  'near-points': ({ client, partner }: Score): number => client.near - partner.near,
  penalties: ({ client, partner }: Score): number => partner.penalties - client.penalties,
} as const;

/** The one who leads by the sheet's order of tie-breaks, and by which; null where all are level. */
export function leaderOf(sheet: RuleSheet, score: Score): { athlete: Athlete; by: keyof typeof lead } | null {
  for (const by of sheet.tie) {
    const ahead = lead[by](score);
    if (ahead !== 0) return { athlete: ahead > 0 ? 'client' : 'partner', by };
  }
  return null;
}

interface Endings {
  /** Who finished a bout that a finish ends. */
  finishedBy: readonly Athlete[];
  wonByPenalties: readonly Athlete[];
  taps: Record<Athlete, number>;
}

/**
 * Decides a bout: a finish first, then a loss by penalties, then who had more falls where several may be, then the sheet's tie-breaks, then
 * the referee.
 */
export function decideBout(sheet: RuleSheet, score: Score, { finishedBy, wonByPenalties, taps }: Endings): Decision {
  if (!sheet.decides) return { winner: null, decidedBy: 'not-scored' };
  // Both at once is for the referee.
  if (finishedBy.length === 1) return { winner: finishedBy[0]!, decidedBy: 'finish' };
  if (finishedBy.length === 0 && wonByPenalties.length === 1) return { winner: wonByPenalties[0]!, decidedBy: 'disqualification' };
  if (finishedBy.length > 1 || wonByPenalties.length > 1) return { winner: null, decidedBy: 'referee' };
  if (finishedBy.length === 0 && taps.client !== taps.partner)
    return { winner: taps.client > taps.partner ? 'client' : 'partner', decidedBy: 'finish' };
  const leader = leaderOf(sheet, score);
  return leader ? { winner: leader.athlete, decidedBy: leader.by } : { winner: null, decidedBy: 'referee' };
}
