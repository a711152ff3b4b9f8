import { saveMemoSound } from '@lean-mentor/contract';
import { addressOf, currentAccount, currentToken } from '../../../shared/wire/index.ts';
import { deskDb } from '../deskStore.ts';

/** The sound of a memo that the server does not have yet. */
export const keptSound = async (memoId: string): Promise<Blob | undefined> => (await (await deskDb()).get('sounds', memoId))?.sound;

/** The memo itself may still be on its way when its sound is sent: tries, and the time between them in ms. */
const mostTries = 30;
const betweenMs = 700;
/** A sound whose memo the server does not know is kept this long, in ms: the memo may lie in an outbox, or was taken back. */
const mostKeptMs = 14 * 86_400_000;

/** Keeps a memo's sound in this browser, then sends it; what does not arrive is sent at the next visit. */
export async function keepSound(requestId: string, memoId: string, sound: Blob): Promise<void> {
  await (await deskDb()).put('sounds', { requestId, memoId, sound, keptAt: Date.now(), accountId: currentAccount() });
  for (let tries = 0; tries < mostTries && (await keptSound(memoId)); tries++) {
    await sendSounds();
    await new Promise((resolve) => setTimeout(resolve, betweenMs));
  }
}

/** Sends every sound that is kept here; those that arrive are let go. */
export async function sendSounds(): Promise<void> {
  const db = await deskDb();
  for (const { requestId, memoId, sound, keptAt, accountId } of await db.getAll('sounds')) {
    // Another's who used this browser is not ours to send.
    if (accountId !== currentAccount()) continue;
    const answer = await fetch(addressOf(saveMemoSound, { requestId, memoId }), {
      method: 'PUT',
      headers: { 'x-lean-token': currentToken(), 'content-type': sound.type || 'audio/webm' },
      body: sound,
    }).catch(() => null);
    const unknown = answer?.status === 404 && Date.now() - keptAt > mostKeptMs;
    // One that the server will never take would be sent without end.
    if (answer?.ok || unknown || answer?.status === 413 || answer?.status === 400) await db.delete('sounds', memoId);
  }
}
