import { movedOn } from '@lean-mentor/core/queue';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { boutMinutesOf, forecastFor, planOfMembership, practiceNow, turnaroundOf } from '../practice/index.ts';
import type { RequestRow } from './model.ts';

/** What is said about a request when its clock begins, and kept with it. */
export async function promiseNow(
  house: House,
  row: RequestRow,
  footages: Parameters<typeof boutMinutesOf>[0],
  transaction: Transaction,
): Promise<Pick<RequestRow, 'dueAt' | 'saidByAt' | 'readyAt'>> {
  const { id, clientId, intake, membershipId } = row;
  const boutMinutes = boutMinutesOf(footages, intake.lengthMinutes ?? null);
  const standing = await planOfMembership(house, membershipId, transaction);
  const { byAt, dueAt } = await forecastFor(house, { id, clientId, intake, boutMinutes }, standing, transaction);
  return { dueAt, saidByAt: byAt, readyAt: house.now() };
}

/** A promise moved on by as long as its clock stood while the client was asked for something. */
export async function promiseAfterWait(
  house: House,
  { membershipId, dueAt, saidByAt }: RequestRow,
  stoppedAt: Date,
  transaction: Transaction,
): Promise<Pick<RequestRow, 'dueAt' | 'saidByAt' | 'promiseMovedAt'>> {
  const { practice, hours } = await practiceNow(house, transaction);
  const now = house.now();
  const stood = { fromAt: stoppedAt.getTime(), toAt: now.getTime() };
  const { kind } = turnaroundOf(practice, await planOfMembership(house, membershipId, transaction));
  return {
    dueAt: new Date(movedOn(hours, kind, dueAt.getTime(), stood)),
    // When a critique comes is foreseen in working time, whatever its plan counts by.
    saidByAt: saidByAt && new Date(movedOn(hours, 'working', saidByAt.getTime(), stood)),
    promiseMovedAt: now,
  };
}
