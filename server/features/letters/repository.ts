import type { Letter, ResponseOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import type { LetterKind, LetterTemplate } from '@lean-mentor/core/letters';
import type { Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import { changeSetting, findSetting } from '../../db/versionedSetting.ts';
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
    inApp: row.inApp ?? false,
  }));

/** What was written to an account, newest first; only what it may read in the app. */
export const findLettersOf = async ({ db }: House, accountId: string): Promise<ResponseOf<typeof contract.listOwnLetters>['letters']> =>
  plainAll(await db.letters.findAll({ where: { accountId }, order: [['writtenAt', 'DESC']], limit: 100 })).map((row) => ({
    ...{ id: row.id, subject: row.subject, body: row.body, writtenAt: row.writtenAt.toISOString() },
    readAt: row.readAt?.toISOString() ?? null,
  }));

export async function markLettersRead({ db, now }: House, accountId: string): Promise<void> {
  await db.letters.update({ readAt: now() }, { where: { accountId, readAt: null } });
}

const settingName = 'letter-words';
/** The coach's own words by kind of letter. */
export type LetterWords = ResponseOf<typeof contract.getLetterWords>;
const noWords: LetterWords = { words: {}, revision: 0 };

export const findLetterWords = (house: House, transaction?: Transaction): Promise<LetterWords> =>
  findSetting(house, settingName, noWords, transaction);

/** Sets the words of one kind, or takes them away; false, and nothing changed, where they are not as the caller knew them. */
export const changeLetterWords = (
  house: House,
  kind: LetterKind,
  template: LetterTemplate | null,
  knownRevision: number,
): Promise<boolean> =>
  changeSetting(
    house,
    settingName,
    noWords,
    ({ words }) => {
      const { [kind]: _, ...others } = words;
      return { words: template ? { ...others, [kind]: template } : others };
    },
    knownRevision,
  );
