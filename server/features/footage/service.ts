import { readFile } from 'node:fs/promises';
import type { Account, FootageProgress } from '@lean-mentor/contract';
import type { FrameTable } from '@lean-mentor/core/footage';
import type { House } from '../../house.ts';
import type { FootageMotion } from '../../media/motionReader.ts';
import { ContractError } from '../../http/contractError.ts';
import { enqueueJob } from '../../jobs/index.ts';
import { maySeeClient } from '../access/index.ts';
import type { FootageRow } from './model.ts';
import { changeFootage, clientOfFootage, findFootage, progressOf } from './repository.ts';

/** A footage the account may see; anything else is not there for it. */
export async function visibleFootage(house: House, account: Account, footageId: string): Promise<FootageRow> {
  const [footage, clientId] = await Promise.all([findFootage(house, footageId), clientOfFootage(house, footageId)]);
  if (!footage || !clientId || !maySeeClient(account, clientId)) throw new ContractError('not-found');
  return footage;
}

/** A visible footage that has been made ready. */
export async function readyFootage(house: House, account: Account, footageId: string): Promise<FootageRow> {
  const footage = await visibleFootage(house, account, footageId);
  if (footage.state !== 'ready') throw new ContractError('footage-not-ready');
  return footage;
}

/** Frame times of a footage that is ready. */
export async function frameTableOf(house: House, footageId: string): Promise<FrameTable> {
  return JSON.parse(await readFile(house.storage.frameTable(footageId), 'utf8')) as FrameTable;
}

/** What was read off a ready footage's movement. */
export async function motionOf(house: House, footageId: string): Promise<FootageMotion> {
  return JSON.parse(await readFile(house.storage.motion(footageId), 'utf8')) as FootageMotion;
}

export async function retryFootage(house: House, account: Account, footageId: string): Promise<FootageProgress> {
  const footage = await visibleFootage(house, account, footageId);
  if (footage.state !== 'failed') throw new ContractError('not-retryable');
  await house.db.sequelize.transaction(async (transaction) => {
    await changeFootage(house, footageId, { state: 'waiting', step: 'Waiting its turn', share: 0, failure: null }, transaction);
    await enqueueJob(house, 'make-ready', footageId, transaction);
  });
  return progressOf((await findFootage(house, footageId))!);
}
