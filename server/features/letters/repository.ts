import type { Letter } from '@lean-mentor/contract';
import type { Transaction } from 'sequelize';
import { plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { LetterRow } from './model.ts';

/** The outbox stand-in takes a letter. */
export async function postLetter({ db }: House, row: LetterRow, transaction?: Transaction): Promise<void> {
  await db.letters.create(row, { ...(transaction && { transaction }) });
}

/** The link in a letter opens nothing any more, and is forgotten. */
export async function linkUsed({ db }: House, letterId: string, transaction: Transaction): Promise<void> {
  await db.letters.update({ link: null }, { where: { id: letterId }, transaction });
}

/** Letters, newest first. `showLink`: whether the link in a letter to an address is shown. */
export const listLetters = async ({ db }: House, showLink: (address: string) => boolean): Promise<Letter[]> =>
  plainAll(await db.letters.findAll({ order: [['writtenAt', 'DESC']], limit: 200 })).map((row) => ({
    ...row,
    link: row.link !== null && showLink(row.toAddress) ? row.link : null,
    writtenAt: row.writtenAt.toISOString(),
  }));
