import type { TakePiece } from '@lean-mentor/contract';
import type { DeskChange, DeskTake, Note } from '@lean-mentor/core/desk';
import { restingOn } from '@lean-mentor/core/takes';
import { currentAccount } from '../../../shared/wire/index.ts';
import { deskDb, dropFromOutbox, isMemo, keepChanges } from '../deskStore.ts';
import { newId } from '../newId.ts';

const takeOf = (id: string, { id: noteId, footageId }: Note): DeskTake => ({
  ...{ id, footageId, noteId, title: '', cuts: [], captions: [], chapters: [] },
});

const typeOf = (sound: Blob): TakePiece['type'] => (/^audio\/(ogg|mp4)/.exec(sound.type)?.[0] ?? 'audio/webm') as TakePiece['type'];

/**
 * Makes takes of what was spoken for notes and kept in this browser before notes were spoken as takes: under the same id, in one piece,
 * which then is sent like any other's. What cannot be looked up now stays for the next visit. `noteOf`: a note of a desk; null where it is
 * gone. Answers whether there was any.
 */
export async function carryMemos(noteOf: (requestId: string, noteId: string) => Promise<Note | null>): Promise<boolean> {
  const db = await deskDb();
  const accountId = currentAccount();
  const own = <T extends { accountId: string | null }>(all: T[]): T[] => all.filter((one) => one.accountId === accountId);
  const [recordings, sounds] = [own(await db.getAll('recordings')), own(await db.getAll('sounds'))];
  const edits = own(await db.getAll('outbox')).filter(({ change }) => isMemo(change));
  for (const { memoId, requestId, noteId, parts, type } of recordings) {
    const note = await noteOf(requestId, noteId);
    if (note) await keepTake(requestId, memoId, note);
    if (note) await keepPiece(requestId, memoId, new Blob(parts, { type }), [restingOn(note)]);
    await db.delete('recordings', memoId);
  }
  for (const { requestId, change } of edits) {
    const made = change.before === null ? (change.after as unknown as { noteId: string }) : null;
    const note = made && (await noteOf(requestId, made.noteId));
    if (note) await keepTake(requestId, change.id, note);
    await dropFromOutbox([change.changeId]);
  }
  for (const { memoId, requestId, sound } of sounds) {
    await keepPiece(requestId, memoId, sound, []);
    await db.delete('sounds', memoId);
  }
  return recordings.length + edits.length + sounds.length > 0;
}

async function keepTake(requestId: string, id: string, note: Note): Promise<void> {
  const change: DeskChange = { changeId: newId(), entity: 'take', id, before: null, after: takeOf(id, note) };
  await keepChanges(requestId, [change], null);
}

async function keepPiece(requestId: string, takeId: string, voice: Blob, events: ReturnType<typeof restingOn>[]): Promise<void> {
  const db = await deskDb();
  await db.put('takePieces', { requestId, takeId, part: 0, piece: 0, type: typeOf(voice), voice, events });
  await db.put('takesSpoken', { requestId, takeId, accountId: currentAccount(), pieces: [1], at: Date.now() });
}
