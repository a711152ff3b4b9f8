import type * as contract from '@lean-mentor/contract';
import {
  getPoster,
  getStrip,
  streamEdition,
  streamReviewCopy,
  type Account,
  type Alignment,
  type FootageProgress,
  type ResponseOf,
} from '@lean-mentor/contract';
import { clampFrame, type FootageSound, type FrameTable } from '@lean-mentor/core/footage';
import type { House } from '../../house/house.ts';
import type { FootageMotion } from '../../media/motionReader.ts';
import type { StripLayout } from '../../media/stripReader.ts';
import { frameJpeg } from '../../media/still.ts';
import { ContractError } from '../../house/contractError.ts';
import { enqueueJob } from '../../jobs/index.ts';
import { editionCopyKey, frameTableKey, motionKey, NotStored, reviewCopyKey, soundKey } from '../../storage/index.ts';
import { findBelonging, maySee } from '../access/index.ts';
import { editionTable } from './editions.ts';
import type { FootageRow } from './model.ts';
import { changeFootage, findFootage, progressOf } from './repository.ts';
import { requireSigned, signedAddress, viewerOf, viewingMs } from './viewing.ts';

/** A footage the account may see; anything else is not there for it. */
export async function visibleFootage(house: House, account: Account, footageId: string): Promise<FootageRow> {
  const [footage, owner] = await Promise.all([findFootage(house, footageId), findBelonging(house, 'footageId', footageId)]);
  if (!footage || !owner || !maySee(account, owner)) throw new ContractError('not-found');
  return footage;
}

/** A footage that has been made ready; refused otherwise. */
function ready(footage: FootageRow): FootageRow {
  if (footage.state === 'removed') throw new ContractError('footage-removed');
  if (footage.state !== 'ready') throw new ContractError('footage-not-ready');
  return footage;
}

/** A visible footage that has not been removed, whether ready or not. */
async function presentFootage(house: House, account: Account, footageId: string): Promise<FootageRow> {
  const footage = await visibleFootage(house, account, footageId);
  if (footage.state === 'removed') throw new ContractError('footage-removed');
  return footage;
}

/** A visible footage that has been made ready. */
export const readyFootage = async (house: House, account: Account, footageId: string): Promise<FootageRow> =>
  ready(await visibleFootage(house, account, footageId));

const readJson = async <T>(house: House, key: string): Promise<T> => JSON.parse((await house.storage.read(key)).toString('utf8')) as T;

/** Frame times of a footage that is ready. */
export const frameTableOf = (house: House, footageId: string): Promise<FrameTable> => readJson(house, frameTableKey(footageId));

/** The same; null where the footage has not been read yet. */
export const knownFrameTable = (house: House, footageId: string): Promise<FrameTable | null> =>
  frameTableOf(house, footageId).catch((error: unknown) => {
    if (error instanceof NotStored) return null;
    throw error;
  });

/** Frame times of what can be looked at of a footage now, and the copy they are of; refused where that is nothing. */
async function lookedAt(house: House, footage: FootageRow): Promise<{ table: FrameTable; copyKey: string }> {
  const { soFar } = progressOf(footage);
  const table = soFar && (await editionTable(house, footage.id, soFar.edition));
  if (table) return { table, copyKey: editionCopyKey(footage.id, soFar.edition) };
  const { id } = ready(footage);
  return { table: await frameTableOf(house, id), copyKey: reviewCopyKey(id) };
}

/** Frame times of a footage as far as it can be looked at now. */
export const frameTableSoFar = async (house: House, footage: FootageRow): Promise<FrameTable> => (await lookedAt(house, footage)).table;

/** What was read off a ready footage's movement. */
export const motionOf = (house: House, footageId: string): Promise<FootageMotion & { strip: StripLayout }> =>
  readJson(house, motionKey(footageId));

export const soundOf = (house: House, footageId: string): Promise<FootageSound> => readJson(house, soundKey(footageId));

const pathOf = (operation: { path: string }, footageId: string, edition?: number): string =>
  operation.path.replace(':footageId', footageId).replace(':edition', String(edition));

/** Signs addresses for one session of one account, good until a time. */
function signing(house: House, account: Account, sessionId: string): { sign: (path: string) => string; until: string } {
  const until = house.now().getTime() + viewingMs;
  return {
    sign: (path) => signedAddress(house, path, viewerOf(account.id, sessionId), until),
    until: new Date(until).toISOString(),
  };
}

/** Addresses under which the caller, and nobody else, may load a footage's files for a while, and no longer than this session lasts. */
export async function getViewing(
  house: House,
  account: Account,
  sessionId: string,
  footageId: string,
): Promise<ResponseOf<typeof contract.getViewing>> {
  await readyFootage(house, account, footageId);
  const { sign, until } = signing(house, account, sessionId);
  const of = (operation: { path: string }): string => sign(pathOf(operation, footageId));
  return {
    reviewCopy: of(streamReviewCopy),
    poster: of(getPoster),
    strip: of(getStrip),
    until,
  };
}

/** An edition, with an address of it for the caller alone. Refused once it is kept no more: a later one is there then, or the whole. */
export async function getEdition(
  house: House,
  account: Account,
  sessionId: string,
  { footageId, edition }: { footageId: string; edition: number },
): Promise<ResponseOf<typeof contract.getEdition>> {
  await presentFootage(house, account, footageId);
  const table = await editionTable(house, footageId, edition);
  if (!table) throw new ContractError('not-found');
  const { sign, until } = signing(house, account, sessionId);
  return { table: { ...table, times: [...table.times] }, reviewCopy: sign(pathOf(streamEdition, footageId, edition)), until };
}

/** Lets the caller have an edition by a signed address: it must be the caller's own and not expired. */
export async function viewedEdition(
  house: House,
  account: Account,
  sessionId: string,
  { footageId, edition }: { footageId: string; edition: number },
  query: Record<string, unknown>,
): Promise<void> {
  await presentFootage(house, account, footageId);
  requireSigned(house, pathOf(streamEdition, footageId, edition), viewerOf(account.id, sessionId), query);
}

/** A ready footage by a signed address: it must be the caller's own and not expired. */
export async function viewedFootage(
  house: House,
  account: Account,
  sessionId: string,
  footageId: string,
  operation: { path: string },
  query: Record<string, unknown>,
): Promise<FootageRow> {
  const footage = await visibleFootage(house, account, footageId);
  requireSigned(house, pathOf(operation, footageId), viewerOf(account.id, sessionId), query);
  return ready(footage);
}

/** One frame of the review copy, as far as it can be looked at, as a small JPEG. */
export async function frameStillOf(house: House, account: Account, footageId: string, frame: number): Promise<Buffer> {
  const { table, copyKey } = await lookedAt(house, await visibleFootage(house, account, footageId));
  const copy = await house.storage.local(copyKey);
  try {
    return await house.turns.run(account.id, () => frameJpeg(copy.path, table, clampFrame(table, frame)));
  } finally {
    await copy.release();
  }
}

export async function retryFootage(house: House, account: Account, footageId: string): Promise<FootageProgress> {
  const footage = await visibleFootage(house, account, footageId);
  if (footage.state !== 'failed' || !footage.retryHelps) throw new ContractError('not-retryable');
  await house.db.sequelize.transaction(async (transaction) => {
    await changeFootage(house, footageId, { state: 'waiting', step: 'Waiting its turn', share: 0, failure: null }, transaction);
    await enqueueJob(house, 'make-ready', footageId, { transaction });
  });
  return progressOf((await findFootage(house, footageId))!);
}

/** Keeps how a second camera lies against the first. Both must be of one request. */
export async function saveAlignment(
  house: House,
  account: Account,
  footageId: string,
  alignment: Alignment | null,
): Promise<{ alignment: Alignment | null }> {
  const footage = await readyFootage(house, account, footageId);
  if (alignment) {
    const other = await readyFootage(house, account, alignment.toFootageId);
    if (other.id === footage.id || other.requestId !== footage.requestId)
      throw new ContractError('not-valid', { message: 'A second camera is aligned to another footage of the same request.' });
    if (other.alignment) throw new ContractError('not-valid', { message: `${other.fileName} is itself aligned to another footage.` });
  }
  await changeFootage(house, footageId, { alignment });
  return { alignment };
}
