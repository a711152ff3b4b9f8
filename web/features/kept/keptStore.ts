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

interface KeptDb extends DBSchema {
  films: { key: string; value: KeptFilm };
}

const open = (): Promise<IDBPDatabase<KeptDb>> =>
  openDB<KeptDb>('lean-kept', 1, { upgrade: (db) => void db.createObjectStore('films', { keyPath: 'filmId' }) });

async function withStore<T>(work: (db: IDBPDatabase<KeptDb>) => Promise<T>): Promise<T> {
  const db = await open();
  try {
    return await work(db);
  } finally {
    db.close();
  }
}

/** Who was signed in here last: without a network nobody else's is shown. */
const ownerKey = 'lean.kept.owner';
export const rememberOwner = (accountId: string): void => localStorage.setItem(ownerKey, accountId);
export const lastOwner = (): string | null => localStorage.getItem(ownerKey);

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
