import { getCritique, getFilmWords, streamFilm, type Critique } from '@lean-mentor/contract';
import { addressOf } from '../../shared/wire/index.ts';
import { rememberOwner } from '../../shared/keeping/index.ts';
import { dropClips, dropKept, keptClipIds, keptFilms, putClip, putKept, type KeptFilm } from './keptStore.ts';

export type ToKeep = Omit<KeptFilm, 'film' | 'words' | 'keptAt' | 'outdated'>;

/** The page itself opens without a network from then on, for whoever keeps something here: nobody else is made to load it. */
export const openWithoutNetwork = (): Promise<unknown> => navigator.serviceWorker?.register('/sw.js') ?? Promise.resolve();

const noRoom = 'There is no room for it on this phone. Let something go, then keep it.';
const away = 'It did not come whole. Keep it again where there is a network.';

/** What comes of an answer, piece by piece; `tell` hears how many bytes have come. */
async function bytesOf(answer: Response, tell: (bytes: number) => void): Promise<Blob> {
  const pieces: BlobPart[] = [];
  let come = 0;
  const reader = answer.body!.getReader();
  for (let read = await reader.read(); !read.done; read = await reader.read()) {
    pieces.push(read.value);
    tell((come += read.value.byteLength));
  }
  const expected = Number(answer.headers.get('content-length') ?? come);
  if (come !== expected) throw new Error('cut short');
  return new Blob(pieces, { type: 'video/mp4' });
}

/**
 * Keeps a film on this device. `hasWords`: whether words lie beside it. Answers what went wrong, in one sentence; null where it is kept.
 */
export async function keepFilm(wanted: ToKeep, hasWords: boolean, bytes: number, tell: (come: number) => void): Promise<string | null> {
  const { quota = Infinity, usage = 0 } = await navigator.storage.estimate().catch((): StorageEstimate => ({}));
  if (quota - usage < bytes) return noRoom;
  let film: Blob;
  let words: string | null = null;
  try {
    const answer = await fetch(addressOf(streamFilm, { filmId: wanted.filmId }));
    if (!answer.ok) return 'This film is not there any more. Have it made again.';
    film = await bytesOf(answer, tell);
    const vtt = hasWords ? await fetch(addressOf(getFilmWords, { filmId: wanted.filmId, form: 'vtt' })) : null;
    if (vtt?.ok) words = await vtt.text();
    await openWithoutNetwork();
  } catch {
    return away;
  }
  try {
    await putKept({ ...wanted, film, words, keptAt: Date.now(), outdated: false });
  } catch {
    return noRoom;
  }
  rememberOwner(wanted.accountId);
  // Asked for, not relied on: a browser that is short of room may clear what it was not asked to keep.
  void navigator.storage.persist?.().catch(() => false);
  return null;
}

const isGone = ({ takes, footages, version }: Critique, kept: KeptFilm): boolean => {
  const take = version === kept.version ? takes[kept.place] : undefined;
  return take !== undefined && footages.find(({ id }) => id === take.footageId)?.state === 'removed';
};

/**
 * Asks what has become of what somebody keeps here: what was taken back, or whose picture was removed, goes; what was sent anew says so.
 * Answers the titles of those that went. Without a network everything stays.
 */
export async function checkKept(accountId: string): Promise<string[]> {
  rememberOwner(accountId);
  const went: KeptFilm[] = [];
  for (const kept of await keptFilms(accountId)) {
    const answer = await fetch(addressOf(getCritique, { critiqueId: kept.critiqueId })).catch(() => null);
    if (answer?.status === 404 || answer?.status === 403 || answer?.status === 410) went.push(kept);
    if (!answer?.ok) continue;
    const critique = (await answer.json()) as Critique;
    if (isGone(critique, kept)) went.push(kept);
    else if (critique.version !== kept.version && !kept.outdated) await putKept({ ...kept, outdated: true });
  }
  if (went.length > 0) await dropKept(went.map(({ filmId }) => filmId));
  return went.map(({ title }) => title);
}

export const goneWords = (titles: readonly string[]): string =>
  `Taken off this phone, since the coach took it back or its picture was removed: ${titles.join(', ')}.`;

/**
 * Keeps the clips that go with somebody's work here, for where there is no network, and lets go of those that no longer do. What does not
 * come now comes the next time.
 */
export async function keepClips(accountId: string, wanted: readonly { clipId: string; address: string }[]): Promise<void> {
  const there = await keptClipIds(accountId);
  await dropClips(there.filter((clipId) => !wanted.some((one) => one.clipId === clipId)));
  for (const { clipId, address } of wanted.filter((one) => !there.includes(one.clipId))) {
    const answer = await fetch(address).catch(() => null);
    const video = answer?.ok ? await bytesOf(answer, () => undefined).catch(() => null) : null;
    if (video) await putClip({ clipId, accountId, video }).catch(() => undefined);
  }
}

/** Takes everything of somebody off this device. */
export async function forgetKept(accountId: string): Promise<void> {
  await dropKept((await keptFilms(accountId)).map(({ filmId }) => filmId));
  await dropClips(await keptClipIds(accountId));
}
