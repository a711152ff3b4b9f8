import type { DeskChange } from '@lean-mentor/core/desk';
import { currentAccount } from '../../../shared/wire/index.ts';
import { deskDb, keepChanges, type Recording } from '../deskStore.ts';
import { newId } from '../newId.ts';
import { heardOf, type Heard } from './heardOf.ts';

/** A recording of which no part came for so long, in ms, is not going on in any tab. */
const deadMs = 5000;

/** Keeps a memo that is being recorded as far as it has come; what a browser does not keep goes on all the same. */
export function keepRecording(recording: Omit<Recording, 'accountId' | 'at'>): void {
  void deskDb()
    .then((db) => db.put('recordings', { ...recording, accountId: currentAccount(), at: Date.now() }))
    .catch(() => undefined);
}

export function forgetRecording(memoId: string): void {
  void deskDb()
    .then((db) => db.delete('recordings', memoId))
    .catch(() => undefined);
}

/**
 * Makes memos of what was being recorded in a tab that died, as if the recording had been ended there: the memo goes into the outbox, its
 * sound beside it. What nothing can be heard in is let go.
 */
export async function recoverRecordings(heard: (sound: Blob) => Promise<Heard> = heardOf): Promise<void> {
  const db = await deskDb();
  for (const { memoId, requestId, noteId, accountId, type, parts, at } of await db.getAll('recordings')) {
    if (accountId !== currentAccount() || Date.now() - at < deadMs) continue;
    const sound = new Blob(parts, { type });
    const told = await heard(sound).catch(() => null);
    if (told) {
      const memo: DeskChange = { changeId: newId(), entity: 'memo', id: memoId, before: null, after: { id: memoId, noteId, ...told } };
      await db.put('sounds', { requestId, memoId, sound, keptAt: Date.now(), accountId });
      await keepChanges(requestId, [memo], null, accountId);
    }
    await db.delete('recordings', memoId);
  }
}
