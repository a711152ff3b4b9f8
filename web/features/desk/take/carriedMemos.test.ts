import 'fake-indexeddb/auto';
import type { DeskChange, Note } from '@lean-mentor/core/desk';
import { afterEach, describe, expect, it } from 'vitest';
import { deskDb, keepChanges, readHistory, readOutbox } from '../deskStore.ts';
import { carryMemos } from './carriedMemos.ts';

const requestId = crypto.randomUUID();
const note = { id: crypto.randomUUID(), footageId: crypto.randomUUID(), fromFrame: 12, what: 'The elbow.' } as Note;
const noteOf = (_: string, noteId: string) => Promise.resolve(noteId === note.id ? note : null);
const memo = (id: string, after: object | null = { id, noteId: note.id, seconds: 2, peaks: [] }) =>
  ({ changeId: crypto.randomUUID(), entity: 'memo', id, before: null, after }) as unknown as DeskChange;
const sound = (words: string) => new Blob([words], { type: 'audio/ogg; codecs=opus' });
const stores = ['outbox', 'history', 'sounds', 'recordings', 'takePieces', 'takesSpoken'] as const;
afterEach(async () => {
  const db = await deskDb();
  for (const store of stores) await db.clear(store);
});
const pieces = async () => (await deskDb()).getAll('takePieces');

describe('what was spoken for a note before that was a take, and never reached the server', () => {
  it('goes out as a take in one piece, under the same id: what was said, and what a dead tab had of it', async () => {
    const [said, dead, gone] = [1, 2, 3].map(() => crypto.randomUUID()) as [string, string, string];
    const db = await deskDb();
    const change = memo(said);
    await keepChanges(requestId, [change], { id: crypto.randomUUID(), changes: [change] });
    await db.put('sounds', { memoId: said, requestId, sound: sound('said'), keptAt: 1, accountId: null });
    const recording = { requestId, accountId: null, type: 'audio/webm', at: 1 };
    await db.put('recordings', { ...recording, memoId: dead, noteId: note.id, parts: [new Blob(['de']), new Blob(['ad'])] });
    await db.put('recordings', { ...recording, memoId: gone, noteId: crypto.randomUUID(), parts: [new Blob(['x'])] });
    // No step of before can be sent, or taken back.
    expect([await readOutbox(), (await readHistory(requestId)).done]).toEqual([[], []]);
    expect(await carryMemos(noteOf)).toBe(true);
    const made = (await readOutbox()).map(({ change: { entity, id, after } }) => [entity, id, (after as { noteId: string }).noteId]);
    expect(made.sort()).toEqual([said, dead].map((id) => ['take', id, note.id]).sort());
    const told = (await pieces()).map(({ takeId, type, events }) => [takeId, type, events.length]);
    expect(told.sort()).toEqual(
      [
        [said, 'audio/ogg', 0],
        [dead, 'audio/webm', 1],
      ].sort(),
    );
    expect((await db.getAll('takesSpoken')).map((spoken) => spoken.pieces)).toEqual([[1], [1]]);
    expect([await db.count('sounds'), await db.count('recordings')]).toEqual([0, 0]);
    expect(await carryMemos(noteOf)).toBe(false);
  });

  it('stays where it is while its note cannot be looked up, and another’s is not touched', async () => {
    const [mine, others] = [crypto.randomUUID(), crypto.randomUUID()];
    await keepChanges(requestId, [memo(mine)], null);
    const db = await deskDb();
    await db.put('sounds', { memoId: others, requestId, sound: sound('x'), keptAt: 1, accountId: 'another' });
    await expect(carryMemos(() => Promise.reject(new Error('no network')))).rejects.toThrow();
    expect([await db.count('outbox'), await db.count('sounds')]).toEqual([1, 1]);
    await carryMemos(noteOf);
    expect([(await readOutbox()).map(({ change }) => change.entity), await db.count('sounds')]).toEqual([['take'], 1]);
  });
});
