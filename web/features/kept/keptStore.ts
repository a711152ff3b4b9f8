import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** A film of something spoken that lies on this device, to be seen without a network. */
export interface KeptFilm {
  filmId: string;
  accountId: string;
  critiqueId: string;
  version: number;
  place: number;
  title: string;
  seconds: number;
  /** The words that lie beside it (WebVTT); null where they are in its picture, or it has none. */
  words: string | null;
  film: Blob;
  /** In ms since 1970. */
  keptAt: number;
  /** The coach has sent it anew since. */
  outdated: boolean;
}

/** A clip of the coach's own that goes with somebody's work. */
export interface KeptClip {
  clipId: string;
  accountId: string;
  video: Blob;
}

interface KeptDb extends DBSchema {
  films: { key: string; value: KeptFilm };
  clips: { key: string; value: KeptClip };
}

const open = (): Promise<IDBPDatabase<KeptDb>> =>
  openDB<KeptDb>('lean-kept', 2, {
    upgrade: (db, before) => {
      if (before < 1) db.createObjectStore('films', { keyPath: 'filmId' });
      db.createObjectStore('clips', { keyPath: 'clipId' });
    },
  });

async function withStore<T>(work: (db: IDBPDatabase<KeptDb>) => Promise<T>): Promise<T> {
  const db = await open();
  try {
    return await work(db);
  } finally {
    db.close();
  }
}

const listeners = new Set<() => void>();
/** Hears of every change of what is kept in this tab. */
export function onKeptChange(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
const changed = (): void => listeners.forEach((listener) => listener());

/** What somebody keeps here, the latest first; nothing where the browser keeps nothing. */
export async function keptFilms(accountId: string | null): Promise<KeptFilm[]> {
  const all = await withStore((db) => db.getAll('films')).catch(() => []);
  return all.filter((one) => one.accountId === accountId).sort((a, b) => b.keptAt - a.keptAt);
}

export async function putKept(film: KeptFilm): Promise<void> {
  await withStore((db) => db.put('films', film));
  changed();
}

export async function dropKept(filmIds: readonly string[]): Promise<void> {
  await withStore(async (db) => {
    for (const filmId of filmIds) await db.delete('films', filmId);
  }).catch(() => undefined);
  changed();
}

/** The clips that somebody keeps here, by id. */
export async function keptClipIds(accountId: string): Promise<string[]> {
  const all = await withStore((db) => db.getAll('clips')).catch(() => []);
  return all.filter((one) => one.accountId === accountId).map(({ clipId }) => clipId);
}

/** A clip that somebody keeps here; null where they do not. */
export async function keptClip(accountId: string, clipId: string): Promise<Blob | null> {
  const found = await withStore((db) => db.get('clips', clipId)).catch(() => undefined);
  return found?.accountId === accountId ? found.video : null;
}

export const putClip = (clip: KeptClip): Promise<string> => withStore((db) => db.put('clips', clip));

export const dropClips = (clipIds: readonly string[]): Promise<void> =>
  withStore(async (db) => {
    for (const clipId of clipIds) await db.delete('clips', clipId);
  }).catch(() => undefined);
