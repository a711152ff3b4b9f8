import type { Letter } from '@lean-mentor/contract';
import type { Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { LetterRow } from './model.ts';

export async function insertLetter({ db }: House, row: LetterRow, transaction: Transaction): Promise<void> {
  await db.letters.create(row, { transaction });
}

export const findLetter = async ({ db }: House, id: string): Promise<LetterRow | null> => plain(await db.letters.findByPk(id));

export async function changeLetter({ db }: House, id: string, fields: Partial<LetterRow>): Promise<void> {
  await db.letters.update(fields, { where: { id } });
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
    sentAt: row.sentAt?.toISOString() ?? null,
    failure: row.failure ?? null,
  }));
