import type * as contract from '@lean-mentor/contract';
import type { BodyOf, Pause } from '@lean-mentor/contract';
import { dayAt, dayText, type WorkingHours } from '@lean-mentor/core/queue';
import type { Transaction } from 'sequelize';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import type { PauseRow, PracticeRow } from './model.ts';
import { changePractice, findPauses, findPractice } from './repository.ts';

export const pauseOf = ({ id, fromAt, untilAt, words }: PauseRow): Pause => ({
  id,
  fromAt: fromAt.toISOString(),
  untilAt: untilAt.toISOString(),
  words,
});

export const withPauses = ({ hours }: Pick<PracticeRow, 'hours'>, pauses: readonly PauseRow[]): WorkingHours => ({
  ...hours,
  pauses: pauses.map(({ fromAt, untilAt }) => ({ fromAt: fromAt.getTime(), toAt: untilAt.getTime() })),
});

/** When the coach works from now on, and what else the practice goes by. */
export async function practiceNow(
  house: House,
  transaction?: Transaction,
): Promise<{ practice: PracticeRow; pauses: PauseRow[]; hours: WorkingHours }> {
  const [practice, pauses] = await Promise.all([findPractice(house, transaction), findPauses(house, house.now(), transaction)]);
  return { practice, pauses, hours: withPauses(practice, pauses) };
}

/** Today's day (YYYY-MM-DD) where the coach is. */
export const todayOf = (house: House, { hours }: Pick<PracticeRow, 'hours'>): string => dayText(dayAt(hours.zone, house.now().getTime()));

/** Sets the hours. Promises that were made stay; what is foreseen follows. */
export async function setHours(house: House, { revision, ...fields }: BodyOf<typeof contract.setHours>): Promise<void> {
  if (!(await changePractice(house, fields, revision))) throw new ContractError('changed-meanwhile');
}
