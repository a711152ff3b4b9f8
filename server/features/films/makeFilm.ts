import { captionsSrt } from '@lean-mentor/contract';
import { reviewSize, type FrameTable } from '@lean-mentor/core/footage';
import {
  captionAt,
  filmInstant,
  filmLength,
  filmRate,
  stageReader,
  withoutCuts,
  type FilmRate,
  type StageReader,
  type Take,
} from '@lean-mentor/core/takes';
import { stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { House } from '../../house/house.ts';
import { withScratchFolder } from '../../house/scratchFolder.ts';
import { joinFilm, matrixOf, writeFilmStretch, type FilmPicture, type FilmSource } from '../../media/film.ts';
import { MediaFault } from '../../media/mediaFault.ts';
import { probe } from '../../media/probe.ts';
import { sniffFile } from '../../media/sniffContainer.ts';
import { filmFolder, filmKey, filmStretchKey, NotStored, reviewCopyKey, type LocalFile } from '../../storage/index.ts';
import { findFootage, frameTableOf, withCompared, type FootageRow } from '../footage/index.ts';
import { makeHeardVoice, readTakeLog } from '../takes/index.ts';
import { comparedIds } from './comparedFootage.ts';
import type { FilmRow, Spoken } from './model.ts';
import { changeMaking, findFilm } from './repository.ts';

/** A film is made in stretches of so many seconds: what a killed process has made of it is not made again. */
const stretchSeconds = 15;
/** How often it is told how far it has come, in ms. */
const tellEveryMs = 1000;

/** Everything that is needed to paint any picture of a film. */
interface Reel {
  film: FilmRow;
  spoken: Spoken;
  source: FilmSource;
  reader: StageReader;
  rate: FilmRate;
  /** How many pictures it has. */
  length: number;
}

const even = (pixels: number): number => Math.max(2, 2 * Math.round(pixels / 2));

/** What the pictures are taken from: the review copy, or the original where it shall be as large. */
async function sourceOf(
  { size }: FilmRow,
  footage: FootageRow,
  { path }: LocalFile,
  table: FrameTable,
): Promise<Omit<FilmSource, 'compared' | 'coach'>> {
  const own = { width: footage.width ?? 1280, height: footage.height ?? 720 };
  const demuxer = size === 'footage' ? await sniffFile(path) : 'mov';
  const videoStream = size === 'footage' ? (await probe(path, demuxer)).videoStream : 0;
  const wanted = size === 'footage' ? { width: even(own.width), height: even(own.height) } : reviewSize(own);
  return { file: path, demuxer, videoStream, table, size: wanted, matrix: await matrixOf(path, demuxer, videoStream, own) };
}

function picturesOf({ film, spoken, reader, rate, length }: Reel, from: number, to: number): FilmPicture[] {
  return Array.from({ length: Math.min(to, length) - from }, (_, i) => {
    const at = filmInstant(from + i, rate);
    return { at, stage: reader.stageAt(at), words: film.words === 'burnt' ? (captionAt(spoken, at)?.words ?? '') : '' };
  });
}

/** Says how far it has come now and then, and hears whether it is still wanted. */
function teller(house: House, { film, length }: Reel, made: number, unwanted: () => void): () => void {
  const begun = Date.now();
  let [done, toldAt] = [made, begun];
  return () => {
    done += 1;
    const now = Date.now();
    if (now - toldAt < tellEveryMs) return;
    toldAt = now;
    const secondsLeft = ((now - begun) / 1000 / (done - made)) * (length - done);
    changeMaking(house, film.id, { state: 'making', share: (0.98 * done) / length, secondsLeft })
      .then(() => findFilm(house, film.id))
      .then((row) => row?.state === 'making' || unwanted())
      .catch((error: unknown) => house.log.warn({ err: error, filmId: film.id }, 'progress was not written'));
  };
}

/** Makes the stretches that are not there yet. */
async function makeStretches(house: House, reel: Reel, folder: string, signal: AbortSignal, unwanted: () => void): Promise<number> {
  const { film, rate, length, source } = reel;
  const long = Math.ceil((stretchSeconds * rate.pictures) / rate.per);
  const many = Math.ceil(length / long);
  const there = await Promise.all(
    Array.from({ length: many }, async (_, n) => (await house.storage.size(filmStretchKey(film.footageId, film.id, n))) !== null),
  );
  const onPicture = teller(house, reel, there.filter(Boolean).length * long, unwanted);
  for (const [n] of there.entries()) {
    if (there[n]) continue;
    const file = join(folder, 'stretch.mp4');
    await writeFilmStretch(source, picturesOf(reel, n * long, (n + 1) * long), rate, file, { folder, signal, onPicture });
    signal.throwIfAborted();
    await house.storage.putFile(filmStretchKey(film.footageId, film.id, n), file);
  }
  return many;
}

/** Puts the film together from its stretches and its voice; answers its bytes. */
async function putTogether(
  house: House,
  { film, spoken }: Reel,
  { many, voice }: { many: number; voice: string },
  folder: string,
  signal: AbortSignal,
): Promise<number> {
  const { storage } = house;
  const locals: LocalFile[] = [];
  try {
    for (let n = 0; n < many; n++) locals.push(await storage.local(filmStretchKey(film.footageId, film.id, n)));
    const captions = film.words === 'beside' && spoken.captions.length > 0 ? join(folder, 'words.srt') : null;
    if (captions) await writeFile(captions, captionsSrt({ ...spoken, cuts: [] }));
    const chapters = spoken.chapters.map(({ from, title }, i) => ({ from, title, to: spoken.chapters[i + 1]?.from ?? spoken.seconds }));
    const file = join(folder, 'film.mp4');
    await joinFilm({ stretches: locals.map(({ path }) => path), voice, captions, chapters, title: spoken.title }, file, folder, signal);
    const { size } = await stat(file);
    await storage.putFile(filmKey(film.footageId, film.id), file);
    for (let n = 0; n < many; n++) await storage.remove(filmStretchKey(film.footageId, film.id, n));
    return size;
  } finally {
    for (const local of locals) await local.release();
  }
}

/** Everything a film is made from but what is compared in it; `original`: what its pictures are taken from. */
async function reelOf(
  house: House,
  film: FilmRow,
  footage: FootageRow,
  original: LocalFile,
): Promise<{ heard: Take; with: (more: Pick<FilmSource, 'compared' | 'coach'>) => Reel }> {
  const spoken = JSON.parse(film.spoken) as Spoken;
  const table = await frameTableOf(house, footage.id);
  const log = await readTakeLog(house, film.requestId, film.takeId);
  const heard = withoutCuts({ ...log, cuts: spoken.cuts, captions: [], chapters: [] }, table);
  const rate = filmRate(table);
  const source = await sourceOf(film, footage, original, table);
  const reel = { film, spoken, rate, reader: stageReader(heard, table), length: filmLength(spoken.seconds, rate) };
  return { heard, with: (more) => ({ ...reel, source: { ...source, ...more } }) };
}

/** Makes a film, or goes on with one. What was stopped, or whose footage is gone, is left. */
export async function makeFilm(house: House, filmId: string, signal: AbortSignal): Promise<void> {
  const film = await findFilm(house, filmId);
  if (!film || (film.state !== 'waiting' && film.state !== 'making')) return;
  const footage = await findFootage(house, film.footageId);
  if (footage?.state !== 'ready') throw new MediaFault('The footage of this film was removed.');
  await changeMaking(house, filmId, { state: 'making' });
  const stopped = new AbortController();
  const both = AbortSignal.any([signal, stopped.signal]);
  const key = film.size === 'footage' && footage.originalKey ? footage.originalKey : reviewCopyKey(footage.id);
  const original = await house.storage.local(key).catch((error: unknown) => {
    // Trying again does not bring it back.
    throw error instanceof NotStored ? new MediaFault('The footage of this film is not there any more.') : error;
  });
  try {
    await withScratchFolder(house, `film-${filmId}`, async (folder) => {
      const { heard, with: reelWith } = await reelOf(house, film, footage, original);
      const compared = comparedIds(heard.events);
      // Before any of it is painted: whoever removes one of them has to find this film.
      await changeMaking(house, filmId, { compared });
      const bytes = await withCompared(house, film.requestId, compared, async (sources) => {
        const spoken = JSON.parse(film.spoken) as Spoken;
        const voice = await makeHeardVoice(house, film.requestId, { takeId: film.takeId, ...spoken }, folder);
        const isSeen = heard.events.some((event) => event.kind === 'stage' && event.coach);
        const reel = reelWith({ compared: sources, coach: isSeen ? voice : null });
        const many = await makeStretches(house, reel, folder, both, () => stopped.abort());
        return putTogether(house, reel, { many, voice }, folder, both);
      });
      await changeMaking(house, filmId, { state: 'ready', share: 1, secondsLeft: null, bytes, madeAt: house.now(), failure: null });
    });
  } catch (error) {
    if (!stopped.signal.aborted || signal.aborted) throw error;
  } finally {
    await original.release();
  }
  // Taken back while it was worked on: what was put into storage meanwhile goes as well.
  const after = await findFootage(house, film.footageId);
  if (after?.state !== 'ready' || !(await findFilm(house, filmId))) await house.storage.remove(filmFolder(film.footageId, filmId));
}
