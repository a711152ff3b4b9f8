import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { boutMinutesOf, currentPlans, forecastFor, lateClients, practiceNow } from '../practice/index.ts';
import { findDraft } from '../requests/index.ts';
import { findPromises } from './repository.ts';

/** What could be promised if a draft were sent now. */
export async function getPromise(house: House, requestId: string): Promise<ResponseOf<typeof contract.getPromise>> {
  const draft = await findDraft(house, requestId);
  if (!draft) throw new ContractError('not-a-draft');
  const { id, clientId, intake, footages } = draft;
  const [{ practice, pauses }, plans, late] = await Promise.all([
    practiceNow(house),
    currentPlans(house, [clientId]),
    lateClients(house, [clientId]),
  ]);
  const standing = plans.get(clientId) ?? null;
  const boutMinutes = boutMinutesOf(footages, intake.lengthMinutes ?? null);
  const { byAt, dueAt } = await forecastFor(house, { id, clientId, intake, boutMinutes }, standing);
  const now = house.now();
  const pausing = pauses.find(({ fromAt, untilAt }) => fromAt <= now && now < untilAt);
  return {
    byAt: byAt?.toISOString() ?? null,
    dueAt: dueAt.toISOString(),
    coachZone: practice.hours.zone,
    left: standing?.period?.left ?? null,
    planName: standing?.plan.name ?? null,
    paymentLate: late.has(clientId),
    pausedUntil: pausing?.untilAt.toISOString() ?? null,
  };
}

const iso = (at: Date | null): string | null => at && new Date(at).toISOString();

export const getPromises = async (house: House): Promise<ResponseOf<typeof contract.getPromises>> => ({
  promises: (await findPromises(house)).map((row) => ({
    ...row,
    readyAt: iso(row.readyAt)!,
    saidByAt: iso(row.saidByAt),
    dueAt: iso(row.dueAt)!,
    movedAt: iso(row.movedAt),
    sentAt: iso(row.sentAt),
  })),
});
