import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { workEffect, type BeforeAfter, type FixThread } from '@lean-mentor/core/followup';
import type { House } from '../../house/house.ts';
import { findWorkFor } from '../work/index.ts';
import { clientThreads } from './progress.ts';

type Effects = ResponseOf<typeof contract.getWorkEffects>['effects'];

/** What was counted last before an instant, and first after it; null where one of them is missing. */
function around({ counts, points }: FixThread, clientId: string, givenAt: string): BeforeAfter | null {
  const wrong = ({ count, exposure }: FixThread['points'][number]) => ({ wrong: counts === 'chance' ? exposure - count : count, exposure });
  const told = points.filter(({ exposure }) => exposure > 0);
  const [before, after] = [told.findLast(({ sentAt }) => sentAt <= givenAt), told.find(({ sentAt }) => sentAt > givenAt)];
  return before && after ? { clientId, before: wrong(before), after: wrong(after) } : null;
}

/** Which work for a fix, and which words of it, moved the fix over all clients. */
export async function getWorkEffects(house: House, principleId: string): Promise<{ effects: Effects }> {
  const work = await findWorkFor(house, principleId);
  const told: { name: string; words: string; pair: BeforeAfter }[] = [];
  for (const clientId of new Set(work.map((one) => one.clientId))) {
    const thread = (await clientThreads(house, clientId, 'coaching')).find((one) => one.principleId === principleId);
    if (!thread) continue;
    for (const { terms, givenAt } of work.filter((one) => one.clientId === clientId)) {
      const pair = around(thread, clientId, givenAt.toISOString());
      if (pair) told.push({ name: terms.name, words: terms.cue, pair });
    }
  }
  const everyone = told.map(({ pair }) => pair);
  const by = (of: 'work' | 'words', nameOf: (one: (typeof told)[number]) => string): Effects =>
    [...new Set(told.map(nameOf))]
      .filter((name) => name !== '')
      .map((name) => ({
        of,
        name,
        ...workEffect(
          told.flatMap((one) => (nameOf(one) === name ? [one.pair] : [])),
          everyone,
        ),
      }));
  const effects = [...by('work', ({ name }) => name), ...by('words', ({ words }) => words)];
  // What is known first, then by how much it moved.
  return { effects: effects.sort((a, b) => (a.ratio ?? Infinity) - (b.ratio ?? Infinity) || b.clients - a.clients) };
}
