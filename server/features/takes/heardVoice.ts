import type { TakeStretch } from '@lean-mentor/core/desk';
import { cutClock, joinedCuts, leftOf } from '@lean-mentor/core/takes';
import { createReadStream, createWriteStream } from 'node:fs';
import { rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { House } from '../../house/house.ts';
import { cutCoach, voiceAndCoach } from '../../media/coach.ts';
import { decodeVoice, denoiseVoice, encodeLoudVoice, sampleBytes, samplesIn, voiceRate } from '../../media/voice.ts';
import { takeCoachKey, takeMasterKey } from '../../storage/index.ts';

/** The samples that are heard, one stretch after another: cut between samples, so that nothing shifts against the picture. */
async function copyHeard(from: string, to: string, cuts: readonly TakeStretch[]): Promise<void> {
  const all = { cuts: [...cuts], seconds: Number.MAX_SAFE_INTEGER };
  let at = 0;
  for (const cut of [...cutClock(all).cuts, { from: Infinity, to: Infinity }]) {
    const end = cut.from === Infinity ? undefined : sampleBytes(cut.from);
    if (end === undefined || end > at) {
      const range = { start: at, ...(end !== undefined && { end: end - 1 }) };
      await pipeline(createReadStream(from, range), createWriteStream(to, { flags: 'a' }));
    }
    at = end === undefined ? at : sampleBytes(cut.to);
  }
}

/** A take as it is mended, as far as its voice is concerned. */
interface VoiceOfTake {
  takeId: string;
  cuts: readonly TakeStretch[];
  denoise?: boolean | undefined;
}

/** Puts the coach beside a voice, where they were filmed: cut as the voice is. */
async function withCoach(house: House, key: string, voice: string, heard: readonly TakeStretch[], folder: string): Promise<string> {
  if ((await house.storage.size(key)) === null) return voice;
  const filmed = await house.storage.local(key);
  try {
    const [cut, both] = [join(folder, 'coach-cut.mp4'), join(folder, 'heard.mp4')];
    await cutCoach(filmed.path, heard, cut, folder);
    await voiceAndCoach(voice, cut, both, folder);
    await Promise.all([voice, cut].map((file) => rm(file)));
    return both;
  } finally {
    await filmed.release();
  }
}

/** The voice of a take as it is heard, in a file of that folder: its noise and what is cut out taken out, and as loud as others are. */
export async function makeHeardVoice(
  house: House,
  requestId: string,
  { takeId, cuts, denoise }: VoiceOfTake,
  folder: string,
): Promise<string> {
  const master = await house.storage.local(takeMasterKey(requestId, takeId));
  try {
    const [whole, clean, heard, voice] = ['whole.raw', 'clean.raw', 'heard.raw', 'voice.m4a'].map((name) => join(folder, name)) as [
      string,
      string,
      string,
      string,
    ];
    await decodeVoice('flac', master.path, whole, folder);
    // Before the cuts: noise is learnt from what lies around them, and nothing of it starts at one.
    if (denoise) await denoiseVoice(whole, clean, folder);
    await copyHeard(denoise ? clean : whole, heard, cuts);
    await encodeLoudVoice(heard, voice, folder);
    const seconds = samplesIn((await stat(whole)).size) / voiceRate;
    await Promise.all([whole, clean, heard].map((file) => rm(file, { force: true })));
    const left = leftOf({ from: 0, to: seconds }, joinedCuts({ cuts: [...cuts], seconds }));
    return await withCoach(house, takeCoachKey(requestId, takeId), voice, left, folder);
  } finally {
    await master.release();
  }
}
