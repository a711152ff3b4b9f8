import { captionsVtt, chaptersVtt, critiqueFileOf } from '@lean-mentor/contract';
import { critiqueHtml, critiqueMarkdown, heardOf, placeOfTake, type MomentBlock } from '@lean-mentor/core/critique';
import { zip, type AsyncZippable } from 'fflate';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { House } from '../../../house/house.ts';
import { cutClip } from '../../../media/cutClip.ts';
import { paintLayers } from '../../../media/drawnClip.ts';
import { withScratchFolder } from '../../../house/scratchFolder.ts';
import { clipVideoKey, reviewCopyKey, spokenKey } from '../../../storage/index.ts';
import type { ExportFacts } from './exportFacts.ts';

/**
 * The clips of the moments that are shown as clips, by note, with what was drawn on them and with sound where the coach wished it; what
 * cannot be cut is left out, and its still stands for it.
 */
async function momentClips(house: House, { critique, table }: ExportFacts): Promise<Map<string, Buffer>> {
  const clips = new Map<string, Buffer>();
  const heard = heardOf(critique.doc);
  await withScratchFolder(house, `export-${critique.id}`, async (folder) => {
    for (const { note, drawings, clipFromSeconds: fromSeconds, clipToSeconds: toSeconds } of critique.moments) {
      const footage = critique.footages.find(({ id }) => id === note.footageId);
      const frames = table(note.footageId);
      if (footage?.state !== 'ready' || !frames) continue;
      const copy = await house.storage.local(reviewCopyKey(note.footageId));
      try {
        const file = join(folder, `${note.id}.mp4`);
        const size = { width: footage.width ?? 1280, height: footage.height ?? 720 };
        // What the coach drew goes along, on its own frames.
        const layers = await paintLayers(folder, { table: frames, drawings, fromSeconds, toSeconds, size });
        await cutClip(copy.path, file, { fromSeconds, toSeconds, layers, withSound: heard.has(note.id) });
        clips.set(note.id, await readFile(file));
      } finally {
        await copy.release();
      }
    }
  });
  return clips;
}

/** A critique as a folder that opens without a network: the page, its stills and clips, and the same as data. */
export async function critiqueZip(house: House, facts: ExportFacts, filmAt: FilmAt): Promise<Buffer> {
  const { critique, title, momentWords, still, fileName, closing, spoken } = facts;
  const clips = await momentClips(house, facts);
  const tracks = new Map([...heardOf(critique.doc)].map(([noteId, heard]) => [noteId, heardVtt(critique, noteId, heard)]));
  const own = new Map<string, Buffer>();
  for (const { id } of critique.clips) own.set(id, await house.storage.read(clipVideoKey(id)));
  const films = await filmsOf(house, critique, filmAt);
  const voices = await voicesOf(house, critique);
  const stillName = ({ noteId, show }: MomentBlock['attrs']): string => `stills/${noteId}${show === 'beside' ? '-beside' : ''}.jpg`;
  const stillPath = (attrs: MomentBlock['attrs']): string | null => (still(attrs) ? stillName(attrs) : null);
  const text = (words: string): Uint8Array => new TextEncoder().encode(words);
  const files: AsyncZippable = {
    'critique.html': text(
      critiqueHtml(
        critique.doc,
        title,
        {
          moment: (attrs) => ({
            words: momentWords(attrs),
            still: stillPath(attrs),
            clip: clips.has(attrs.noteId) ? `clips/${attrs.noteId}.mp4` : null,
            // A page opened from a folder may not read the file beside it as a track: it carries the words itself.
            track: tracks.has(attrs.noteId) ? `data:text/vtt;base64,${Buffer.from(tracks.get(attrs.noteId)!).toString('base64')}` : null,
          }),
          clip: (id) => ({
            title: critique.clips.find((clip) => clip.id === id)?.title ?? '',
            video: own.has(id) ? `clips/${id}.mp4` : null,
          }),
          take: (attrs) => {
            const place = placeOfTake(critique.takes, attrs);
            return {
              lines: spoken(attrs),
              film: films.has(place) ? filmPath(place) : null,
              sound: voices.has(place) ? voicePath(place) : null,
            };
          },
        },
        closing,
      ),
    ),
    'critique.md': text(critiqueMarkdown(critique.doc, title, tiedWords(facts, stillPath), closing)),
    'critique.json': text(`${JSON.stringify(critiqueFileOf(critique, fileName), null, 2)}\n`),
  };
  for (const [noteId, vtt] of tracks) files[`clips/${noteId}.vtt`] = text(vtt);
  // Pictures and video do not get smaller.
  for (const { note } of critique.moments)
    for (const show of ['still', 'beside'] as const) {
      const attrs = { noteId: note.id, show };
      const picture = still(attrs);
      if (picture) files[stillName(attrs)] = [picture.jpeg, { level: 0 }];
    }
  for (const [place, bytes] of voices) {
    files[voicePath(place)] = [bytes, { level: 0 }];
    files[voicePath(place).replace('.m4a', '.vtt')] = text(captionsVtt({ ...critique.takes[place]!, cuts: [] }));
  }
  for (const [place, bytes] of films) files[filmPath(place)] = [bytes, { level: 0 }];
  for (const [id, bytes] of [...clips, ...own]) files[`clips/${id}.mp4`] = [bytes, { level: 0 }];
  return new Promise((resolve, reject) => zip(files, (error, data) => (error ? reject(error) : resolve(Buffer.from(data)))));
}

/** Where the film lies of something spoken, by its place; null where it cannot be had. */
export type FilmAt = (at: { critiqueId: string; version: number; place: number; footageId: string }) => Promise<string | null>;

const filmPath = (place: number): string => `films/${place + 1}.mp4`;

/** What is spoken as films, by its place; where there is none its voice and words stand for it. */
async function filmsOf(
  house: House,
  { id: critiqueId, version, takes }: ExportFacts['critique'],
  filmAt: FilmAt,
): Promise<Map<number, Buffer>> {
  const films = new Map<number, Buffer>();
  for (const [place, { footageId }] of takes.entries()) {
    const key = await filmAt({ critiqueId, version, place, footageId });
    if (key !== null) films.set(place, await house.storage.read(key));
  }
  return films;
}

const voicePath = (place: number): string => `voice/${place + 1}.m4a`;

/** The voices of what is spoken, by its place; one that is not made ready yet is left out, and its words stand for it. */
async function voicesOf(house: House, { id, version, takes }: ExportFacts['critique']): Promise<Map<number, Buffer>> {
  const voices = new Map<number, Buffer>();
  for (const [place, { ready }] of takes.entries()) if (ready) voices.set(place, await house.storage.read(spokenKey(id, version, place)));
  return voices;
}

/** What is heard in the clip of a moment, as a track over all of it. */
function heardVtt({ moments }: ExportFacts['critique'], noteId: string, heard: string): string {
  const { clipFromSeconds, clipToSeconds } = moments.find(({ note }) => note.id === noteId)!;
  return chaptersVtt([{ fromSeconds: 0, toSeconds: clipToSeconds - clipFromSeconds, title: heard }]);
}

/** What stands in Markdown for moments and clips. */
export const tiedWords = ({ critique, momentWords, spoken }: ExportFacts, picture: (attrs: MomentBlock['attrs']) => string | null) => ({
  moment: (attrs: MomentBlock['attrs']) => ({ words: momentWords(attrs), picture: picture(attrs) }),
  clip: (id: string) => critique.clips.find((clip) => clip.id === id)?.title ?? 'not there any more',
  take: spoken,
});
