import type { Bout } from '@lean-mentor/contract';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import type { BoutRow } from './model.ts';
import { changeBout } from './repository.ts';
import { knownFrameTable } from './service.ts';
import { timedOf } from './timedOf.ts';

/** Keeps what is coded of a bout, and the same in seconds. */
export async function setBoutCoding(
  house: House,
  bout: BoutRow,
  coding: Pick<Bout, 'spans' | 'events' | 'threats'>,
  transaction: Transaction,
): Promise<void> {
  const table = await knownFrameTable(house, bout.footageId);
  await changeBout(house, bout.id, { ...coding, timed: table && timedOf({ ...bout, ...coding }, table) }, transaction);
}
