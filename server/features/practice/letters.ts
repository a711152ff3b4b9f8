import type { LetterToWord } from '@lean-mentor/core/letters';

/** What was done with a client's plan. Days are YYYY-MM-DD. */
export type MembershipChange =
  | { kind: 'given'; fromOn: string; untilOn: string | null }
  | { kind: 'ends'; untilOn: string | null }
  | { kind: 'goes-on'; untilOn: null }
  | { kind: 'paused'; fromOn: string; untilOn: string | null };

function sentence(plan: string, change: MembershipChange): string {
  if (change.kind === 'given')
    return `From ${change.fromOn} on your plan is “${plan}”${change.untilOn ? `, until ${change.untilOn}` : ''}.`;
  if (change.kind === 'ends') return `Your plan “${plan}” ends: ${change.untilOn} is the first day without it.`;
  if (change.kind === 'goes-on') return `Your plan “${plan}” goes on.`;
  if (change.untilOn === change.fromOn) return `The pause of your plan “${plan}” is taken back.`;
  const until = change.untilOn ? ` until ${change.untilOn}` : '';
  return `Your plan “${plan}” pauses from ${change.fromOn}${until}. Its period is longer by as many days.`;
}

/** To everyone of a client: what was done with their plan. */
export const membershipLetter = (name: string, plan: string, change: MembershipChange): LetterToWord => ({
  kind: 'plan',
  values: { name, change: sentence(plan, change) },
});

/** To everyone of a client: their coach is away, and a promise moved. `until` and `by` are instants in words. */
export const promiseMovedLetter = (name: string, about: string, until: string, by: string, words: string): LetterToWord => ({
  kind: 'promise-moved',
  values: { name, about, until, by, words },
});
