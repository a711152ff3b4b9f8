import type { TakePiece } from '@lean-mentor/contract';
import type { House } from '../../house/house.ts';
import { memoKey } from '../../storage/index.ts';
import { findTakeAnywhere } from '../desk/index.ts';
import { finishTake, saveTakePiece } from './service.ts';

/** What browsers record speech as, by its first bytes. */
const typeOf = (sound: Buffer): TakePiece['type'] =>
  sound.toString('latin1', 0, 4) === 'OggS' ? 'audio/ogg' : sound.toString('latin1', 4, 8) === 'ftyp' ? 'audio/mp4' : 'audio/webm';

/**
 * Makes the recording of a take of what was spoken for a note before notes were spoken as takes. Of one whose sound never arrived nothing
 * is made: the browser that has it sends it as a take's. Done twice it is the same.
 */
export async function carryMemo(house: House, takeId: string): Promise<void> {
  const found = await findTakeAnywhere(house, takeId);
  if (!found) return;
  const { requestId } = found;
  const key = memoKey(requestId, takeId);
  if ((await house.storage.size(key)) === null) return;
  const sound = await house.storage.read(key);
  const piece = { type: typeOf(sound), voice: sound.toString('base64'), events: [] };
  await saveTakePiece(house, { requestId, takeId, part: 0, piece: 0 }, piece);
  await finishTake(house, requestId, takeId, { pieces: [1] });
  await house.storage.remove(key);
}
