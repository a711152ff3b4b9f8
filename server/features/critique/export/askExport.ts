import type { Account, CritiqueExport, ExportState } from '@lean-mentor/contract';
import { addHours } from 'date-fns';
import type { House } from '../../../house/house.ts';
import { ContractError } from '../../../house/contractError.ts';
import { countAhead, enqueueJob } from '../../../jobs/index.ts';
import { exportKey } from '../../../storage/index.ts';
import { findAccount } from '../../access/index.ts';
import type { ExportRow } from '../model.ts';
import { getCritique } from '../reading.ts';
import {
  changeExport,
  countWaitingExports,
  deleteExport,
  findExport,
  findExportsBefore,
  findSameExport,
  insertExport,
} from './repository.ts';
import { exportName, makeExported, mediaTypeOf } from './index.ts';

/** One person has at most so many exports waiting. */
const mostWaiting = 30;
/** An export is kept for whoever asked for so long, in hours. */
const keptHours = 24;

/** Where the film lies of something spoken in a critique, made first where it has to be; null where it cannot be had. */
export type FilmOf = (
  house: House,
  account: Account,
  at: { critiqueId: string; version: number; place: number; footageId: string },
  signal: AbortSignal,
) => Promise<string | null>;

const stateOf = async (house: House, row: ExportRow): Promise<ExportState> => ({
  id: row.id,
  as: row.form,
  state: row.state,
  place: row.state === 'waiting' ? (await countAhead(house, 'make-export', row.id)) + 1 : null,
  fileName: row.fileName,
});

/** Has a critique, as it stands, made into a form to take along; one that is waiting or ready is not made again. */
export async function askExport(house: House, account: Account, critiqueId: string, form: CritiqueExport): Promise<ExportState> {
  const critique = await getCritique(house, account, critiqueId);
  const wanted = { critiqueId, version: critique.version, form, askedBy: account.id };
  const same = await findSameExport(house, wanted, new Date(critique.sentAt));
  if (same && (same.state === 'waiting' || (await house.storage.size(exportKey(critiqueId, same.id))) !== null))
    return stateOf(house, same);
  if ((await countWaitingExports(house, account.id)) >= mostWaiting) throw new ContractError('busy');
  const row: ExportRow = { ...wanted, id: house.newId(), askedAt: house.now(), state: 'waiting', fileName: exportName(critique, form) };
  await house.db.sequelize.transaction(async (transaction) => {
    await insertExport(house, row, transaction);
    await enqueueJob(house, 'make-export', row.id, { transaction, owner: account.id });
  });
  return stateOf(house, row);
}

async function ownExport(house: House, account: Account, critiqueId: string, exportId: string): Promise<ExportRow> {
  const row = await findExport(house, exportId);
  if (!row || row.critiqueId !== critiqueId || row.askedBy !== account.id) throw new ContractError('not-found');
  return row;
}

export const getExport = async (house: House, account: Account, critiqueId: string, exportId: string): Promise<ExportState> =>
  stateOf(house, await ownExport(house, account, critiqueId, exportId));

/** Where a finished export lies, and what it is called. */
export async function takeExport(
  house: House,
  account: Account,
  critiqueId: string,
  exportId: string,
): Promise<{ key: string; name: string; type: string }> {
  const { state, fileName, form, id } = await ownExport(house, account, critiqueId, exportId);
  if (state !== 'ready') throw new ContractError('not-found');
  return { key: exportKey(critiqueId, id), name: fileName, type: mediaTypeOf(form) };
}

/**
 * Makes an export that was asked for, as who asked sees the critique; what they may not see any more is not made. `filmOf` finds the film
 * of something spoken in it.
 */
export async function makeExport(house: House, exportId: string, signal: AbortSignal, filmOf: FilmOf): Promise<void> {
  const row = await findExport(house, exportId);
  const account = row && (await findAccount(house, row.askedBy));
  if (!row || !account || row.state !== 'waiting') return;
  await house.storage.putBytes(
    exportKey(row.critiqueId, row.id),
    await makeExported(house, account, row.critiqueId, row.form, (at) => filmOf(house, account, at, signal)),
  );
  await changeExport(house, exportId, { state: 'ready' });
}

/** Removes exports that were made a day ago, rows and files. */
export async function removeOldExports(house: House): Promise<void> {
  for (const { id, critiqueId } of await findExportsBefore(house, addHours(house.now(), -keptHours))) {
    await house.storage.remove(exportKey(critiqueId, id));
    await deleteExport(house, id);
  }
}
