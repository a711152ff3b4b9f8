import { saveMemoSound } from '@lean-mentor/contract';
import { addressOf, currentToken } from '../../../shared/wire/index.ts';
import { deskDb } from '../deskStore.ts';

/** The sound of a memo that the server does not have yet. */
export const keptSound = async (memoId: string): Promise<Blob | undefined> => (await (await deskDb()).get('sounds', memoId))?.sound;

/** Keeps a memo's sound in this browser, then sends it; what does not arrive is sent at the next visit. */
export async function keepSound(requestId: string, memoId: string, sound: Blob): Promise<void> {
  await (await deskDb()).put('sounds', { requestId, memoId, sound });
  await sendSounds();
}

/** Sends every sound that is kept here; those that arrive are let go. */
export async function sendSounds(): Promise<void> {
  const db = await deskDb();
  for (const { requestId, memoId, sound } of await db.getAll('sounds')) {
    const answer = await fetch(addressOf(saveMemoSound, { requestId, memoId }), {
      method: 'PUT',
      headers: { 'x-lean-token': currentToken(), 'content-type': sound.type || 'audio/webm' },
      body: sound,
    }).catch(() => null);
    // One that the server will never take (too long, its note gone) would be sent without end.
    if (answer?.ok || answer?.status === 404 || answer?.status === 413) await db.delete('sounds', memoId);
  }
}
