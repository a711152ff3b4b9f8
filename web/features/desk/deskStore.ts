import type { TakePiece } from '@lean-mentor/contract';
import type { DeskChange } from '@lean-mentor/core/desk';
import type { TakeEvent } from '@lean-mentor/core/takes';
import { currentAccount } from '../../shared/wire/index.ts';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** What was done at once, and is undone at once. */
export interface EditGroup {
  id: string;
  changes: DeskChange[];
}
export interface History {
  done: EditGroup[];
  undone: EditGroup[];
}

interface DeskDb extends DBSchema {
  /** Edits that the server has not confirmed, in the order they were made, whichever tab made them. */
  outbox: {
    key: number;
    value: { requestId: string; changeId: string; change: DeskChange; accountId: string | null };
    indexes: { requestId: string; changeId: string };
  };
  /** What can be taken back or done again. */
  history: {
    key: string;
    value: EditGroup & { requestId: string; at: number; undone: boolean; accountId: string | null };
    indexes: { requestId: string };
  };
  /** What was spoken for a note before that was a take, and had not been sent; `carriedMemos` makes takes of it. */
  sounds: { key: string; value: { memoId: string; requestId: string; sound: Blob; keptAt: number; accountId: string | null } };
  /** Edits that the server will never take, for their author to see. */
  aside: { key: string; value: SetAside & { accountId: string | null } };
  /** Pieces of takes that the server does not have yet. */
  takePieces: { key: [string, number, number]; value: KeptPiece };
  /** Takes that are being spoken, or were when their tab died: how many pieces each of their parts has. */
  takesSpoken: { key: string; value: SpokenTake };
  /** The same of a tab that died while it was spoken. */
  recordings: { key: string; value: Recording };
}

/** An edit that the server will never take, and why. */
export interface SetAside {
  changeId: string;
  requestId: string;
  change: DeskChange;
  why: string;
  at: number;
}

export interface KeptPiece {
  requestId: string;
  takeId: string;
  part: number;
  piece: number;
  type: TakePiece['type'];
  voice: Blob;
  events: readonly TakeEvent[];
}

export interface SpokenTake {
  takeId: string;
  requestId: string;
  accountId: string | null;
  pieces: number[];
  /** When its last piece came, in ms since 1970. */
  at: number;
}

export interface Recording {
  memoId: string;
  requestId: string;
  noteId: string;
  accountId: string | null;
  type: string;
  parts: Blob[];
  /** When its last part came, in ms since 1970. */
  at: number;
}

/** So many steps can be taken back after a reload. */
const mostSteps = 200;

/** A store that does not open within this, in ms, is taken for none: the desk must not wait for it. */
const mostOpenMs = 1500;

let opened: Promise<IDBPDatabase<DeskDb>> | null = null;
/** The same once it is there: an edit is then stored before the page is redrawn, not after. */
let here: IDBPDatabase<DeskDb> | null = null;

function openDeskDb(): Promise<IDBPDatabase<DeskDb>> {
  const opening = openDB<DeskDb>('lean-desk', 3, {
    async upgrade(db, before, _, work) {
      if (before < 1) {
        const outbox = db.createObjectStore('outbox', { autoIncrement: true });
        outbox.createIndex('requestId', 'requestId');
        outbox.createIndex('changeId', 'changeId');
        db.createObjectStore('history', { keyPath: 'id' }).createIndex('requestId', 'requestId');
        db.createObjectStore('sounds', { keyPath: 'memoId' });
      }
      if (before < 2) {
        db.createObjectStore('aside', { keyPath: 'changeId' });
        db.createObjectStore('recordings', { keyPath: 'memoId' });
      }
      db.createObjectStore('takePieces', { keyPath: ['takeId', 'part', 'piece'] });
      db.createObjectStore('takesSpoken', { keyPath: 'takeId' });
      if (before !== 1) return;
      // What was kept before edits knew whose they are goes out under nobody's name.
      const why = 'This was kept here before it was known who wrote it, so it was not sent.';
      for (const { requestId, changeId, change } of await work.objectStore('outbox').getAll())
        await work.objectStore('aside').put({ changeId, requestId, change, why, at: Date.now(), accountId: null });
      for (const store of ['outbox', 'history', 'sounds'] as const) await work.objectStore(store).clear();
    },
    // A browser that closed the connection (storage cleared, a crash of its own) gets a new one.
    terminated: () => (opened = here = null),
  });
  const late = new Promise<never>((_, reject) => {
    setTimeout(() => reject(new Error('The browser’s store does not open.')), mostOpenMs);
  });
  return Promise.race([opening, late]);
}

/** The store of this browser; where it cannot be opened now, the next call tries again. */
export function deskDb(): Promise<IDBPDatabase<DeskDb>> {
  opened ??= openDeskDb().then(
    (db) => (here = db),
    (error: unknown) => {
      opened = null;
      throw error;
    },
  );
  return opened;
}

// A page that is left, or kept for the way back, must not hold the store: the next page would wait for it (seen in Chromium).
if (typeof addEventListener === 'function')
  addEventListener('pagehide', () => {
    void opened?.then((db) => db.close()).catch(() => undefined);
    opened = here = null;
  });

/** Keeps somebody's edits of a request in this browser; resolved when they are stored. `group` is a step that can be taken back. */
export async function keepChanges(
  requestId: string,
  changes: readonly DeskChange[],
  group: EditGroup | null,
  accountId: string | null = currentAccount(),
): Promise<void> {
  const db = here ?? (await deskDb());
  // Strict: complete means that it is on the disk, so that even a machine that stops loses nothing it said was kept.
  const work = db.transaction(['outbox', 'history'], 'readwrite', { durability: 'strict' });
  for (const change of changes) void work.objectStore('outbox').add({ requestId, changeId: change.changeId, change, accountId });
  if (group) void work.objectStore('history').put({ ...group, requestId, at: Date.now(), undone: false, accountId });
  await work.done;
}

/**
 * Edits of whoever is signed in, of a request or of all, that the server has not confirmed, oldest first. Another's are not theirs to send.
 */
export async function readOutbox(requestId?: string): Promise<{ requestId: string; change: DeskChange }[]> {
  const db = await deskDb();
  const kept = requestId === undefined ? await db.getAll('outbox') : await db.getAllFromIndex('outbox', 'requestId', requestId);
  return kept.filter(({ accountId, change }) => accountId === currentAccount() && !isMemo(change));
}

/** A step about a spoken note of before notes were spoken as takes: `carriedMemos` alone knows what to do with it. */
export const isMemo = (change: DeskChange): boolean => (change.entity as string) === 'memo';

/** Sets edits aside that the server will never take: they are sent no more, and their author is shown them. */
export async function setAside(refused: readonly SetAside[]): Promise<void> {
  const db = await deskDb();
  const work = db.transaction('aside', 'readwrite');
  for (const one of refused) void work.store.put({ ...one, accountId: currentAccount() });
  await work.done;
  await dropFromOutbox(refused.map(({ changeId }) => changeId));
}

/** What was set aside of a request, for whoever is signed in; with what nobody is known to have written. */
export async function readAside(requestId: string): Promise<SetAside[]> {
  const all = await (await deskDb()).getAll('aside');
  const own = all.filter((one) => one.requestId === requestId && (one.accountId === null || one.accountId === currentAccount()));
  return own.sort((a, b) => a.at - b.at);
}

export async function letAsideGo(changeId: string): Promise<void> {
  await (await deskDb()).delete('aside', changeId);
}

/** These edits need no more sending. */
export async function dropFromOutbox(changeIds: readonly string[]): Promise<void> {
  const db = await deskDb();
  const work = db.transaction('outbox', 'readwrite');
  const byChange = work.store.index('changeId');
  for (const changeId of changeIds) {
    const key = await byChange.getKey(changeId);
    if (key !== undefined) void work.store.delete(key);
  }
  await work.done;
}

export async function readHistory(requestId: string): Promise<History> {
  const db = await deskDb();
  const steps = (await db.getAllFromIndex('history', 'requestId', requestId))
    .filter(({ accountId, changes }) => accountId === currentAccount() && !changes.some(isMemo))
    .sort((a, b) => a.at - b.at);
  const of = (undone: boolean): EditGroup[] => steps.filter((step) => step.undone === undone).map(({ id, changes }) => ({ id, changes }));
  // What was undone last is done again first: it stands last.
  return { done: of(false).slice(-mostSteps), undone: of(true).reverse() };
}

/** A step was taken back, or done again. */
export async function markStep(id: string, undone: boolean): Promise<void> {
  const db = await deskDb();
  const step = await db.get('history', id);
  if (step) await db.put('history', { ...step, undone });
}

/** Steps that can no longer be done again, or lie too far back. */
export async function forgetSteps(ids: readonly string[]): Promise<void> {
  const db = await deskDb();
  const work = db.transaction('history', 'readwrite');
  for (const id of ids) void work.store.delete(id);
  await work.done;
}
