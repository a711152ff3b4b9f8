import type { Retention, ResponseOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { subMonths } from 'date-fns';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { discardOldDraft, removeFootageThatRests } from '../requests/index.ts';
import { findForgettings } from './repository.ts';
import {
  changeRetention,
  countOldDrafts,
  countOldLetters,
  countOldTrail,
  countRestingFootage,
  deleteOldLetters,
  deleteOldTrail,
  findOldDrafts,
  findRestingFootage,
  findRetention,
  stillRests,
} from './retentionRepository.ts';

/** How long each kind is kept, and who asked to be forgotten. */
export async function getRetention(house: House): Promise<ResponseOf<typeof contract.getRetention>> {
  const asked = await findForgettings(house);
  return {
    ...(await findRetention(house)),
    asked: asked.map(({ clientId, name, askedBy, askedAt, dueAt }) => ({
      ...{ clientId, name, askedBy, askedAt: askedAt.toISOString(), dueAt: dueAt.toISOString() },
    })),
  };
}

export async function setRetention(house: House, retention: Retention, knownRevision: number): Promise<void> {
  if (!(await changeRetention(house, retention, knownRevision))) throw new ContractError('changed-meanwhile');
}

/** How much of each kind is older than it would be kept. */
export async function previewRetention(house: House, rules: Retention): Promise<ResponseOf<typeof contract.previewRetention>> {
  const than = <T>(months: number | null, nothing: T, ask: (house: House, before: Date) => Promise<T>): Promise<T> =>
    months === null ? Promise.resolve(nothing) : ask(house, subMonths(house.now(), months));
  const [drafts, footage, letters, trail] = await Promise.all([
    than(rules.drafts, 0, countOldDrafts),
    than(rules.footage, { many: 0, bytes: 0 }, countRestingFootage),
    than(rules.letters, 0, countOldLetters),
    than(rules.trail, 0, countOldTrail),
  ]);
  return { drafts, footage: footage.many, footageBytes: footage.bytes, letters, trail };
}

/** So many of a kind go in one round: the rest waits for the next, so that a new rule holds nothing up. */
const mostAtOnce = 200;

/** Removes what is older than the coach keeps it. */
export async function removeWhatIsOver(house: House): Promise<void> {
  const { retention } = await findRetention(house);
  const before = (months: number): Date => subMonths(house.now(), months);
  if (retention.drafts !== null)
    for (const id of await findOldDrafts(house, before(retention.drafts), mostAtOnce)) await discardOldDraft(house, id);
  if (retention.footage !== null) {
    const since = before(retention.footage);
    for (const { id, requestId } of await findRestingFootage(house, since, mostAtOnce))
      await removeFootageThatRests(house, requestId, id, (transaction) => stillRests(house, id, since, transaction));
  }
  if (retention.letters !== null) await deleteOldLetters(house, before(retention.letters));
  if (retention.trail !== null) await deleteOldTrail(house, before(retention.trail));
}
