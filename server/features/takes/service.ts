import type * as contract from '@lean-mentor/contract';
import type { BodyOf, ParamsOf, ResponseOf, TakePiece, TakeRecording } from '@lean-mentor/contract';
import type { TakeEvent } from '@lean-mentor/core/takes';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { enqueueJob } from '../../jobs/index.ts';
import { NotStored, takeLogKey, takePieceKey, takeVoiceKey } from '../../storage/index.ts';
import { isOnDesk } from '../desk/index.ts';
import type { TakeRow } from './model.ts';
import { beginTake, changeTake, countPieces, findTake, findTakesOf, putPiece } from './repository.ts';

/** What was made of a take, with its whole recording as clock. */
export interface TakeLog {
  seconds: number;
  events: TakeEvent[];
}

const blank = (id: string, requestId: string, changedAt: Date): TakeRow => ({
  ...{
    id,
    requestId,
    changedAt,
    state: 'recording',
    pieces: [],
    partSeconds: [],
    seconds: 0,
    peaks: [],
    silences: [],
    failure: null,
    words: null,
  },
});

async function takeOr404(house: House, requestId: string, takeId: string): Promise<TakeRow> {
  const take = await findTake(house, takeId);
  if (take?.requestId !== requestId) throw new ContractError('not-found');
  return take;
}

const answered = ({ config }: House, { requestId: _, changedAt: __, ...recording }: TakeRow): TakeRecording => ({
  ...recording,
  canBeHeard: config.recogniser !== null,
});

/** Keeps some seconds of a take that is on the desk. Pieces may come in any order, and twice. */
export async function saveTakePiece(
  house: House,
  { requestId, takeId, part, piece }: ParamsOf<typeof contract.saveTakePiece>,
  { type, voice, events }: TakePiece,
): Promise<void> {
  if (!(await isOnDesk(house, 'take', takeId, requestId))) throw new ContractError('not-found');
  // The sound first: a row without it would be taken for a piece that is there.
  await house.storage.putBytes(takePieceKey(requestId, takeId, part, piece), Buffer.from(voice, 'base64'));
  await house.db.sequelize.transaction(async (transaction) => {
    await beginTake(house, blank(takeId, requestId, house.now()), transaction);
    const take = await findTake(house, takeId, transaction);
    // An id of another request's take is nobody's to write on from here.
    if (take?.requestId !== requestId) throw new ContractError('not-found');
    await putPiece(house, { takeId, part, piece, type, events: JSON.stringify(events) }, transaction);
    // What was put together lacks this piece now: whoever sends it says when all is there.
    if (take.state !== 'recording') await changeTake(house, takeId, { state: 'recording' }, transaction);
  });
}

/** Has a take put together, once every piece of it is there. */
export async function finishTake(
  house: House,
  requestId: string,
  takeId: string,
  { pieces }: BodyOf<typeof contract.finishTake>,
): Promise<TakeRecording> {
  await takeOr404(house, requestId, takeId);
  await house.db.sequelize.transaction(async (transaction) => {
    await findTake(house, takeId, transaction);
    const come = await countPieces(house, takeId, transaction);
    const lacking = pieces.findIndex((many, part) => (come[part] ?? 0) < many);
    if (lacking >= 0)
      throw new ContractError('not-now', {
        message: `Of part ${lacking + 1} of this take ${come[lacking] ?? 0} of ${pieces[lacking]} pieces have arrived. Send the others first.`,
      });
    await changeTake(house, takeId, { state: 'waiting', pieces, failure: null, changedAt: house.now() }, transaction);
    await enqueueJob(house, 'make-take', takeId, { transaction });
  });
  return takeAnswered(house, requestId, takeId);
}

export const listTakes = async (house: House, requestId: string): Promise<TakeRecording[]> =>
  (await findTakesOf(house, requestId)).map((take) => answered(house, take));

/** A take as it is now. */
export const takeAnswered = async (house: House, requestId: string, takeId: string): Promise<TakeRecording> =>
  answered(house, await takeOr404(house, requestId, takeId));

/** Refused while it is not put together. */
export async function readyTake(house: House, requestId: string, takeId: string): Promise<TakeRow> {
  const take = await takeOr404(house, requestId, takeId);
  if (take.partSeconds.length === 0) throw new ContractError('not-now', { message: 'This take is still being put together.' });
  return take;
}

export async function readTakeLog(house: House, requestId: string, takeId: string): Promise<TakeLog> {
  return JSON.parse((await house.storage.read(takeLogKey(requestId, takeId))).toString()) as TakeLog;
}

export async function getTakeLog(house: House, requestId: string, takeId: string): Promise<ResponseOf<typeof contract.getTakeLog>> {
  await readyTake(house, requestId, takeId);
  return (await readTakeLog(house, requestId, takeId)) as ResponseOf<typeof contract.getTakeLog>;
}

/** Where a voice of a take is stored. */
export async function takeVoice(house: House, { requestId, takeId, voice }: ParamsOf<typeof contract.streamTakeVoice>): Promise<string> {
  const { pieces, state } = await readyTake(house, requestId, takeId);
  const key = takeVoiceKey(requestId, takeId, voice);
  if ((await house.storage.size(key)) !== null) return key;
  if (voice === 'recorded') throw new NotStored(key);
  // Put together before there were clean voices: it is done once more, from the same pieces.
  if (state === 'ready') await finishTake(house, requestId, takeId, { pieces });
  throw new ContractError('not-now', { message: 'Its noise is being taken out. Listen again in a moment.' });
}
