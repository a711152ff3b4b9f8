import { mostMemoBytes } from '@lean-mentor/contract';
import type { Readable } from 'node:stream';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { memoKey } from '../../storage/index.ts';
import { isOnDesk } from './deskItems.ts';

/** What browsers record: the first bytes of WebM, Ogg and MP4. */
const beginnings = [
  (bytes: Buffer): boolean => bytes.readUInt32BE(0) === 0x1a45dfa3,
  (bytes: Buffer): boolean => bytes.toString('latin1', 0, 4) === 'OggS',
  (bytes: Buffer): boolean => bytes.toString('latin1', 4, 8) === 'ftyp',
];

async function requireMemo(house: House, requestId: string, memoId: string): Promise<void> {
  if (!(await isOnDesk(house, 'memo', memoId, requestId))) throw new ContractError('not-found');
}

/** Keeps the sound of a memo that is on the desk. A second sending replaces the first. */
export async function saveMemoSound(house: House, requestId: string, memoId: string, body: Readable): Promise<void> {
  await requireMemo(house, requestId, memoId);
  const pieces: Buffer[] = [];
  let size = 0;
  for await (const piece of body as AsyncIterable<Buffer>) {
    size += piece.length;
    if (size > mostMemoBytes) throw new ContractError('too-large');
    pieces.push(piece);
  }
  const bytes = Buffer.concat(pieces);
  if (size < 12 || !beginnings.some((is) => is(bytes)))
    throw new ContractError('not-valid', { message: 'That is no sound a browser records (WebM, Ogg or MP4).' });
  await house.storage.putBytes(memoKey(requestId, memoId), bytes);
}

export async function memoSoundKey(house: House, requestId: string, memoId: string): Promise<string> {
  await requireMemo(house, requestId, memoId);
  return memoKey(requestId, memoId);
}
