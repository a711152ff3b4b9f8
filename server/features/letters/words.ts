import type { BodyOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import {
  fillTemplate,
  letterSorts,
  templateFaults,
  type LetterKind,
  type LetterTemplate,
  type LetterToWord,
} from '@lean-mentor/core/letters';
import type { Transaction } from 'sequelize';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { changeLetterWords, findLetterWords } from './repository.ts';

/** A letter in the coach's own words, or in those it came with. */
export async function worded(house: House, { kind, values }: LetterToWord, transaction?: Transaction): Promise<LetterTemplate> {
  const { words } = await findLetterWords(house, transaction);
  return fillTemplate(words[kind] ?? letterSorts[kind], values);
}

/** Words a kind of letter from now on. Those that were written stay as they are. */
export async function setLetterWords(
  house: House,
  kind: LetterKind,
  { revision, template }: BodyOf<typeof contract.setLetterWords>,
): Promise<void> {
  const faults = template ? templateFaults(kind, template) : { subject: [], body: [] };
  const fields = (['subject', 'body'] as const).flatMap((where) => faults[where].map((why) => ({ field: `template.${where}`, why })));
  if (fields.length > 0) throw new ContractError('not-valid', { message: fields[0]!.why, fields });
  if (!(await changeLetterWords(house, kind, template, revision))) throw new ContractError('changed-meanwhile');
}
