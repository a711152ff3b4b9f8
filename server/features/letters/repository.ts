import type { Letter } from '@lean-mentor/contract';
import type { Transaction } from 'sequelize';
import { plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { LetterRow } from './model.ts';

/** The outbox stand-in takes a letter. */
export async function postLetter({ db }: House, row: LetterRow, transaction?: Transaction): Promise<void> {
  await db.letters.create(row, { ...(transaction && { transaction }) });
}

export const listLetters = async ({ db }: House): Promise<Letter[]> =>
  plainAll(await db.letters.findAll({ order: [['writtenAt', 'DESC']], limit: 200 })).map((row) => ({
    ...row,
    writtenAt: row.writtenAt.toISOString(),
  }));
