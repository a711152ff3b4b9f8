import { alignedCaptions, captionTexts, spreadTexts, wordsToAlign, type Caption, type SpokenText } from '@lean-mentor/core/takes';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { House } from '../../house/house.ts';
import { withScratchFolder } from '../../house/scratchFolder.ts';
import { alignerRate, alignerWords, alignWords } from '../../media/aligner.ts';
import { recognise } from '../../media/recogniser.ts';
import { decodeVoice, voiceStretch } from '../../media/voice.ts';
import { takeMasterKey, takeWordsKey } from '../../storage/index.ts';
import type { TakeRow } from './model.ts';
import { changeTake, findTake } from './repository.ts';
import type { KeptWords } from './words.ts';

type Made = NonNullable<KeptWords['made']>;

/** An aligner's time grows faster than what it listens to: beyond so many seconds at once, a text is spread over them instead. */
const longestAligned = 900;

/** Lines where they are heard, or spread over the stretch where they cannot be found in it. */
async function layText(take: TakeRow, { from, to, text }: SpokenText, whole: string, folder: string): Promise<Made> {
  const lines = captionTexts(text);
  const known = await alignerWords();
  const asked = known ? wordsToAlign(lines, (word) => known.has(word)) : [];
  const spread = { captions: spreadTexts(lines, { from, to }, take.silences), placed: 0 };
  // A language that it does not know is not to be found in what is said.
  if (asked.length * 2 < text.split(/\s+/).length || to - from > longestAligned) return spread;
  const samples = join(folder, 'stretch.raw');
  await voiceStretch(whole, samples, { from, to, rate: alignerRate }, folder);
  const found = await alignWords(
    samples,
    asked.map(({ word }) => word),
    folder,
  );
  await rm(samples);
  const later = found?.map((word) => ({ ...word, from: word.from + from, to: Math.min(word.to + from, to) }));
  return later ? alignedCaptions(lines, asked, later, { from, to }, take.silences) : spread;
}

async function make(house: House, take: TakeRow, { from }: KeptWords, folder: string): Promise<Made> {
  const master = await house.storage.local(takeMasterKey(take.requestId, take.id));
  try {
    const whole = join(folder, 'whole.raw');
    await decodeVoice('flac', master.path, whole, folder);
    if (from.of === 'voice') {
      const wav = join(folder, 'voice.wav');
      await voiceStretch(whole, wav, { from: 0, to: take.seconds, rate: alignerRate }, folder);
      const heard = await recognise(house.config.recogniser ?? '', wav, folder);
      return { captions: within(heard, take.seconds), placed: heard.length };
    }
    const laid: Made[] = [];
    for (const text of from.texts) laid.push(await layText(take, text, whole, folder));
    return {
      captions: laid.flatMap(({ captions }) => captions.map((one) => ({ ...one, origin: from.origin }))),
      placed: laid.reduce((sum, { placed }) => sum + placed, 0),
    };
  } finally {
    await master.release();
  }
}

/** Captions that end with the recording, whatever a recogniser says. */
const within = (captions: readonly Caption[], seconds: number): Caption[] =>
  captions.map((one) => ({ ...one, to: Math.min(one.to, seconds) })).filter(({ from, to }) => to > from);

/** Lays the words to the voice that were last asked for; done twice it is the same. */
export async function layWords(house: House, takeId: string): Promise<void> {
  const take = await findTake(house, takeId);
  if (take?.words?.state !== 'waiting') return;
  const key = takeWordsKey(take.requestId, takeId);
  const asked = JSON.parse((await house.storage.read(key)).toString()) as KeptWords;
  const made = await withScratchFolder(house, `words-${takeId}`, (folder) => make(house, take, asked, folder));
  await house.db.sequelize.transaction(async (transaction) => {
    const now = await findTake(house, takeId, transaction);
    // Asked otherwise meanwhile: that comes next.
    if (now?.words?.askedAt !== asked.askedAt) return;
    await house.storage.putBytes(key, JSON.stringify({ ...asked, made } satisfies KeptWords));
    await changeTake(house, takeId, { words: { ...now.words, state: 'ready' } }, transaction);
  });
}

/** Says that no words came of it. */
export async function wordsFailed(house: House, takeId: string, failure: string): Promise<void> {
  const take = await findTake(house, takeId);
  if (take?.words) await changeTake(house, takeId, { words: { ...take.words, state: 'failed', failure } });
}
