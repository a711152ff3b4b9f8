import { daysToTakeBack, type Account } from '@lean-mentor/contract';
import { addDays, addMinutes, format } from 'date-fns';
import type { Transaction } from 'sequelize';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { enqueueJob } from '../../jobs/index.ts';
import { answersFolder, exportsFolder, footageFolder, memosFolder, spokenFolder, stillsFolder, takesFolder } from '../../storage/index.ts';
import { postLetters } from '../letters/index.ts';
import {
  countGoing,
  deleteAbout,
  deleteForgetting,
  findFilesOf,
  findForgettings,
  findNamed,
  insertForgetting,
  putForgotten,
  type FilesOf,
  type NamedClient,
} from './repository.ts';

/**
 * Work that was under way when a client was forgotten (a video being made ready in another process, the last bytes of an upload) notices
 * at its next heartbeat. What it wrote until then is removed by a second look, so many minutes later.
 */
const secondLookMinutes = 10;

const keysOf = ({ footages, requestIds, critiqueIds }: FilesOf): string[] => [
  ...footages.flatMap(({ id, originalKey }) => [...(originalKey ? [originalKey] : []), footageFolder(id)]),
  ...requestIds.flatMap((id) => [memosFolder(id), takesFolder(id)]),
  ...critiqueIds.flatMap((id) => [stillsFolder(id), spokenFolder(id), exportsFolder(id), answersFolder(id)]),
];

const uploadsOf = ({ footages }: FilesOf): string[] =>
  footages.flatMap(({ uploadId, originalKey }) => (uploadId && !originalKey ? [uploadId] : []));

/** The client, whose name was typed in full by whoever means it. */
async function meant(house: House, clientId: string, typed: string, transaction: Transaction): Promise<NamedClient> {
  const client = await findNamed(house, clientId, transaction);
  if (!client) throw new ContractError('not-found');
  const plain = (text: string): string => text.trim().replace(/\s+/g, ' ').toLocaleLowerCase();
  if (plain(typed) !== plain(client.name))
    throw new ContractError('not-valid', {
      message: `Type the whole name, ${client.name}, so that nobody is forgotten by mistake.`,
      fields: [{ field: 'name', why: `The name is ${client.name}.` }],
    });
  return client;
}

/**
 * Removes every row that is about a client in one transaction, and has their files removed by a job in the lane that nothing holds up.
 * What is left is that a client with this id was forgotten, when, and how much went.
 */
async function forget(house: House, client: NamedClient, askedAt: Date, transaction: Transaction): Promise<void> {
  const went = await countGoing(house, client, transaction);
  const files = await findFilesOf(house, client, transaction);
  await deleteAbout(house, client, transaction);
  const payload = { keys: keysOf(files), uploadIds: uploadsOf(files) };
  const now = house.now();
  await enqueueJob(house, 'remove-footage', client.id, { transaction, payload });
  await enqueueJob(house, 'remove-footage', house.newId(), { transaction, payload, notBefore: addMinutes(now, secondLookMinutes) });
  await putForgotten(house, { clientId: client.id, askedBy: '', askedAt, dueAt: now, doneAt: now, went }, transaction);
}

/** Forgets a client at once. */
export async function forgetClient(house: House, clientId: string, typed: string): Promise<void> {
  await house.db.sequelize.transaction(async (transaction) => {
    await forget(house, await meant(house, clientId, typed, transaction), house.now(), transaction);
  });
}

/** Notes that a client is to be forgotten in a week, and tells everybody who stands for them. Asked twice, the first day stands. */
export async function askToBeForgotten(house: House, account: Account, clientId: string, typed: string): Promise<void> {
  const askedAt = house.now();
  const dueAt = addDays(askedAt, daysToTakeBack);
  await house.db.sequelize.transaction(async (transaction) => {
    const client = await meant(house, clientId, typed, transaction);
    const row = { clientId, askedBy: account.name, askedAt, dueAt, doneAt: null, went: [] };
    if (!(await insertForgetting(house, row, transaction))) return;
    const values = { by: account.name, client: client.name, day: format(dueAt, 'd MMMM yyyy') };
    await postLetters(house, clientId, ({ name }) => ({ kind: 'forgetting', values: { name, ...values } }), transaction);
  });
}

/** Takes it back. Who is forgotten already is not there to take anything back. */
export async function takeBackForgetting(house: House, clientId: string): Promise<void> {
  const was = await house.db.sequelize.transaction((transaction) => deleteForgetting(house, clientId, transaction));
  if (!was) throw new ContractError('not-now', { message: 'Nobody has asked for that, or it was taken back already.' });
}

/** Forgets those who asked a week ago and did not take it back. */
export async function forgetWhoAsked(house: House): Promise<void> {
  for (const { clientId, dueAt } of await findForgettings(house)) {
    if (dueAt > house.now()) return;
    await house.db.sequelize.transaction(async (transaction) => {
      const client = await findNamed(house, clientId, transaction);
      // Taken back while others were forgotten.
      const asked = (await findForgettings(house)).find((one) => one.clientId === clientId);
      if (client && asked) await forget(house, client, asked.askedAt, transaction);
    });
  }
}
