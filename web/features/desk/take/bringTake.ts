import { mostPieceBytes, readTakeFile, type TakePiece } from '@lean-mentor/contract';
import type { DeskTake } from '@lean-mentor/core/desk';
import type { FrameTable } from '@lean-mentor/core/footage';
import type { Take, TakeEvent } from '@lean-mentor/core/takes';
import { strFromU8, unzipSync } from 'fflate';
import type { KeptPiece } from '../deskStore.ts';

/** A take out of a file: what can be mended of it, its voice, and what was done while it was spoken. */
export interface BroughtTake extends Pick<DeskTake, 'cuts' | 'captions' | 'chapters'> {
  voice: Uint8Array;
  type: TakePiece['type'];
  events: TakeEvent[];
}

const types: Readonly<Record<string, TakePiece['type']>> = {
  flac: 'audio/flac',
  m4a: 'audio/mp4',
  mp4: 'audio/mp4',
  ogg: 'audio/ogg',
  opus: 'audio/ogg',
  webm: 'audio/webm',
};
/** Times of frames that differ by less than this, in seconds, are the same. */
const sameTime = 0.002;

/** Why a take was not spoken over this footage; null where it was. */
function otherFootage(of: FrameTable, here: FrameTable, hasTimes: boolean): string | null {
  const [there, many] = [of.times.length, here.times.length];
  if (!hasTimes) return there <= many ? null : `It shows frame ${there - 1}, and this footage has ${many} frames.`;
  if (there !== many) return `It was spoken over other footage: that has ${there} frames, this one ${many}.`;
  const apart = of.times.findIndex((seconds, i) => Math.abs(seconds - here.times[i]!) > sameTime);
  return apart < 0 ? null : `It was spoken over other footage: frame ${apart} lies elsewhere there.`;
}

/** The same take as if its voice began where its times do: `offset` is how much later everything is heard than they say. */
function heardAt({ seconds, events, cuts, captions, chapters }: Take, offset: number): Omit<Take, 'seconds'> {
  const moved = (t: number): number => Math.min(seconds, Math.max(0, t + offset));
  const stretch = <S extends { from: number; to: number }>(one: S): S => ({ ...one, from: moved(one.from), to: moved(one.to) });
  return {
    events: events.map((event, i) => ({ ...event, t: i === 0 ? 0 : moved(event.t) })),
    cuts: cuts.map(stretch).filter(({ from, to }) => to > from),
    captions: captions.map(stretch).filter(({ from, to }) => to > from),
    chapters: chapters.map((one) => ({ ...one, from: moved(one.from) })),
  };
}

/** Reads a ZIP with take.json and its voice, for footage with these frames. Every fault is told in a sentence. */
export function readTakeZip(bytes: Uint8Array, here: FrameTable): BroughtTake | { faults: string[] } {
  let files: Record<string, Uint8Array>;
  let json: unknown;
  try {
    files = unzipSync(bytes);
  } catch {
    return { faults: ['It is no whole ZIP.'] };
  }
  if (!files['take.json']) return { faults: ['There is no take.json in it.'] };
  try {
    json = JSON.parse(strFromU8(files['take.json']));
  } catch {
    return { faults: ['Its take.json is not whole JSON.'] };
  }
  const read = readTakeFile(json);
  if ('faults' in read) return read;
  const { file, take, table } = read;
  const voice = files[file.voice.file];
  const type = types[file.voice.file.split('.').at(-1)!.toLowerCase()];
  if (!voice) return { faults: [`Its voice, ${file.voice.file}, is not in it.`] };
  if (!type) return { faults: [`Its voice, ${file.voice.file}, is none of ${Object.keys(types).join(', ')}.`] };
  const other = otherFootage(table, here, file.frameTimes !== undefined);
  if (other) return { faults: [other] };
  const { events, cuts, captions, chapters } = heardAt(take, file.voice.offsetSeconds);
  return { voice, type, events: [...events], cuts: [...cuts], captions: [...captions], chapters: [...chapters] };
}

/** Of the events of one piece so many letters of JSON at most. */
const mostLetters = 100_000;

/** The take as pieces, as if it were being spoken: its voice in order, its events with the first of them. */
export function takePieces({ voice, type, events }: BroughtTake): Pick<KeptPiece, 'type' | 'voice' | 'events'>[] {
  const lots: TakeEvent[][] = [[]];
  let letters = 0;
  for (const event of events) {
    const long = JSON.stringify(event).length;
    if (letters > 0 && letters + long > mostLetters) {
      lots.push([]);
      letters = 0;
    }
    lots.at(-1)!.push(event);
    letters += long;
  }
  const many = Math.max(lots.length, Math.ceil(voice.length / mostPieceBytes));
  return Array.from({ length: many }, (_, i) => ({
    type,
    voice: new Blob([voice.slice(i * mostPieceBytes, (i + 1) * mostPieceBytes)]),
    events: lots[i] ?? [],
  }));
}
