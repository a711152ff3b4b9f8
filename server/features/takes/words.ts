import type * as contract from '@lean-mentor/contract';
import type { ParamsOf, ResponseOf, TakeRecording, TakeWordsOf } from '@lean-mentor/contract';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { enqueueJob } from '../../jobs/index.ts';
import { takeWordsKey } from '../../storage/index.ts';
import { changeTake } from './repository.ts';
import { readyTake, takeAnswered } from './service.ts';

/** What is kept of one asking: what words are made from, and what came of it. */
export interface KeptWords {
  askedAt: string;
  from: TakeWordsOf;
  made: Pick<ResponseOf<typeof contract.getTakeWords>, 'captions' | 'placed'> | null;
}

/** Has words laid to the voice of a take; asked again, what was asked before is forgotten. */
export async function askTakeWords(
  house: House,
  { requestId, takeId }: ParamsOf<typeof contract.askTakeWords>,
  from: TakeWordsOf,
): Promise<TakeRecording> {
  const { seconds } = await readyTake(house, requestId, takeId);
  if (from.of === 'voice' && house.config.recogniser === null)
    throw new ContractError('not-valid', { message: 'Nothing in this house writes down what it hears. LEAN_RECOGNISER sets one up.' });
  const odd = from.of === 'text' && from.texts.find((one) => one.to <= one.from || one.to > seconds + 0.01);
  if (odd)
    throw new ContractError('not-valid', { message: `From ${odd.from} to ${odd.to} s nothing was said: the take has ${seconds} s.` });
  const kept: KeptWords = { askedAt: house.now().toISOString(), from, made: null };
  await house.storage.putBytes(takeWordsKey(requestId, takeId), JSON.stringify(kept));
  await house.db.sequelize.transaction(async (transaction) => {
    const words = { of: from.of, askedAt: kept.askedAt, state: 'waiting', failure: null } as const;
    await changeTake(house, takeId, { words }, transaction);
    await enqueueJob(house, 'lay-words', takeId, { transaction });
  });
  return takeAnswered(house, requestId, takeId);
}

export async function getTakeWords(
  house: House,
  { requestId, takeId }: ParamsOf<typeof contract.getTakeWords>,
): Promise<ResponseOf<typeof contract.getTakeWords>> {
  const { words } = await readyTake(house, requestId, takeId);
  if (words?.state !== 'ready')
    throw new ContractError('not-now', { message: words?.failure ?? 'No words have been laid to this voice yet.' });
  const { askedAt, made } = JSON.parse((await house.storage.read(takeWordsKey(requestId, takeId))).toString()) as KeptWords;
  return { askedAt, ...made! };
}
