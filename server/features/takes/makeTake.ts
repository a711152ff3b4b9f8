import type { TakePiece } from '@lean-mentor/contract';
import { soundPeaks } from '@lean-mentor/core/footage';
import { coachPictures, joinedParts, restingOn, silencesOf, type TakeEvent } from '@lean-mentor/core/takes';
import { createReadStream, createWriteStream } from 'node:fs';
import { open, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { House } from '../../house/house.ts';
import { withScratchFolder } from '../../house/scratchFolder.ts';
import { coachOfPart, joinCoach, voiceAndCoach } from '../../media/coach.ts';
import { MediaFault } from '../../media/mediaFault.ts';
import type { Demuxer } from '../../media/sniffContainer.ts';
import { decodeVoice, denoiseVoice, encodeVoice, levelsOf, samplesIn, voiceRate } from '../../media/voice.ts';
import { takeCoachKey, takeLogKey, takeMasterKey, takePieceKey, takeVoiceKey } from '../../storage/index.ts';
import { findDeskTake, findNote } from '../desk/index.ts';
import type { TakePieceRow, TakeRow } from './model.ts';
import { changeTake, findPieces, findTake } from './repository.ts';

const demuxers: Readonly<Record<TakePiece['type'], Demuxer>> = {
  'audio/webm': 'matroska',
  'audio/ogg': 'ogg',
  'audio/mp4': 'mov',
  'audio/flac': 'flac',
  'video/webm': 'matroska',
  'video/mp4': 'mov',
};

/** Bars of loudness a second, and how many at most. */
const [barsASecond, mostBars] = [8, 4000];

/** Pieces of each part, without a hole: what comes after a piece that is missing is not known to belong there. */
function partsOf(pieces: readonly TakePieceRow[]): TakePieceRow[][] {
  const parts: TakePieceRow[][] = [];
  for (const one of pieces) {
    const part = (parts[one.part] ??= []);
    if (one.piece === part.length) part.push(one);
  }
  return Array.from(parts, (part) => part ?? []).filter((part) => part.length > 0);
}

/** A part as it was recorded, and its plain samples. */
interface DecodedPart {
  recorded: string;
  demuxer: Demuxer;
  /** Whether the coach is seen in it. */
  seen: boolean;
  samples: string;
}

async function decodePart(house: House, take: TakeRow, part: readonly TakePieceRow[], folder: string): Promise<DecodedPart> {
  const { type, part: number } = part[0]!;
  const recorded = join(folder, `part-${number}`);
  const sound = await Promise.all(part.map((one) => house.storage.read(takePieceKey(take.requestId, take.id, one.part, one.piece))));
  await writeFile(recorded, Buffer.concat(sound));
  const samples = `${recorded}.raw`;
  await decodeVoice(demuxers[type], recorded, samples, folder);
  return { recorded, demuxer: demuxers[type], seen: type.startsWith('video/'), samples };
}

/** The coach beside the voice of all parts, in one file of that folder; null where none of them was filmed. */
async function makeCoach(parts: readonly (DecodedPart & { seconds: number })[], folder: string): Promise<string | null> {
  if (!parts.some(({ seen }) => seen)) return null;
  const lengths = coachPictures(stretchesOf(parts.map(({ seconds }) => seconds)));
  const files: string[] = [];
  for (const [i, { recorded, demuxer, seen }] of parts.entries()) {
    const pictures = lengths[i]!.end - lengths[i]!.first;
    if (pictures <= 0) continue;
    files.push(join(folder, `coach-${i}.mp4`));
    await coachOfPart(seen ? { file: recorded, demuxer } : null, pictures, files.at(-1)!, folder);
  }
  const coach = join(folder, 'coach.mp4');
  await joinCoach(files, coach, folder);
  return coach;
}

/** Stretches of these lengths, one after another. */
function stretchesOf(lengths: readonly number[]): { from: number; to: number }[] {
  let at = 0;
  return lengths.map((seconds) => ({ from: at, to: (at += seconds) }));
}

/** Keeps something for listening, with the coach beside it where they are seen. */
async function putVoice(house: House, key: string, m4a: string, coach: string | null, folder: string): Promise<void> {
  if (!coach) return house.storage.putFile(key, m4a);
  const both = join(folder, 'both.mp4');
  await voiceAndCoach(m4a, coach, both, folder);
  await house.storage.putFile(key, both);
}

/** What was spoken for a note before notes were spoken as takes has no log: its note's frame stands from end to end. */
async function begun(house: House, { requestId, id }: TakeRow, events: TakeEvent[]): Promise<TakeEvent[]> {
  const noteId = events.length === 0 ? (await findDeskTake(house, requestId, id))?.noteId : undefined;
  const note = noteId ? await findNote(house, requestId, noteId) : null;
  return note ? [restingOn(note)] : events;
}

/** Voice and log of a whole take from its parts. A MediaFault means that trying again is useless. */
async function putTogether(house: House, take: TakeRow, folder: string): Promise<Partial<TakeRow>> {
  const { storage } = house;
  const parts = partsOf(await findPieces(house, take.id));
  if (parts.length === 0) throw new MediaFault('Nothing of this take has arrived.');
  const whole = join(folder, 'whole.raw');
  const joined: (DecodedPart & { seconds: number; events: TakeEvent[] })[] = [];
  for (const part of parts) {
    const decoded = await decodePart(house, take, part, folder);
    const { samples } = decoded;
    const seconds = samplesIn((await stat(samples)).size) / voiceRate;
    joined.push({ ...decoded, seconds, events: part.flatMap(({ events }) => JSON.parse(events) as TakeEvent[]) });
    await pipeline(createReadStream(samples), createWriteStream(whole, { flags: 'a' }));
    await rm(samples);
  }
  const seconds = joined.reduce((sum, part) => sum + part.seconds, 0);
  const events = await begun(house, take, joinedParts(joined));
  if (events[0]?.kind !== 'stage') throw new MediaFault('What the desk showed when this take began was not sent with it.');
  const file = await open(whole);
  const levels = await levelsOf(file).finally(() => file.close());
  const [flac, m4a, clean, cleanM4a] = ['voice.flac', 'voice.m4a', 'clean.raw', 'clean.m4a'].map((name) => join(folder, name)) as [
    string,
    string,
    string,
    string,
  ];
  await encodeVoice(whole, { flac, m4a }, folder);
  await denoiseVoice(whole, clean, folder);
  await encodeVoice(clean, { m4a: cleanM4a }, folder);
  await storage.putBytes(takeLogKey(take.requestId, take.id), JSON.stringify({ seconds, events }));
  await storage.putFile(takeMasterKey(take.requestId, take.id), flac);
  const coach = await makeCoach(joined, folder);
  await putVoice(house, takeVoiceKey(take.requestId, take.id, 'recorded'), m4a, coach, folder);
  await putVoice(house, takeVoiceKey(take.requestId, take.id, 'clean'), cleanM4a, coach, folder);
  // Last: what is put into storage is not in the folder any more.
  if (coach) await storage.putFile(takeCoachKey(take.requestId, take.id), coach);
  return {
    seconds,
    partSeconds: joined.map((part) => part.seconds),
    peaks: soundPeaks(levels, Math.min(mostBars, Math.ceil(seconds * barsASecond))),
    silences: silencesOf(levels),
  };
}

/** Puts a take together; done twice it is the same. */
export async function makeTake(house: House, takeId: string): Promise<void> {
  const take = await findTake(house, takeId);
  if (take?.state !== 'waiting') return;
  const made = await withScratchFolder(house, takeId, (folder) => putTogether(house, take, folder));
  await house.db.sequelize.transaction(async (transaction) => {
    // Gone on with meanwhile: it is put together again when that has come.
    const now = await findTake(house, takeId, transaction);
    if (now) await changeTake(house, takeId, { ...made, ...(now.state === 'waiting' && { state: 'ready' }) }, transaction);
  });
}
