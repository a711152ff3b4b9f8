import type { FoundWord } from '@lean-mentor/core/takes';
import { execa, ExecaError } from 'execa';
import { readFile, writeFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { limited } from './ffmpeg.ts';

/** Where Debian's package pocketsphinx-en-us puts how English sounds, and which words it knows. */
const model = '/usr/share/pocketsphinx/model/en-us';
const dictionary = join(model, 'cmudict-en-us.dict');

/** Samples a second that it listens to; 16-bit, one channel. */
export const alignerRate = 16_000;
/** It tells times in hundredths of a second. */
const framesASecond = 100;
/** A word that sounds less like the voice than this is another one: words that were said lie at about −300, others at −1500. */
const surelyAbove = -1000;

let words: Promise<ReadonlySet<string> | null> | null = null;

/** The words an aligner knows how to say; null where there is none on this machine. */
export const alignerWords = (): Promise<ReadonlySet<string> | null> =>
  (words ??= readFile(dictionary, 'utf8').then(
    (text) => new Set(text.split('\n').map((line) => line.slice(0, line.search(/[\s(]|$/)))),
    () => null,
  ));

/** Fields of what it answers: where a word begins, how it scored twice, the word. */
const fieldsAWord = 4;

/** The words in its answer, silences and noises left out; a word is over where the next thing begins. */
function readSegments(answer: string): (FoundWord & { word: string })[] {
  const fields = answer.trim().split(/\s+/);
  const rest = fields.slice(fields.indexOf('L') + 2);
  const found: (FoundWord & { word: string })[] = [];
  for (let i = 0; i + fieldsAWord <= rest.length; i += fieldsAWord) {
    const [begins, score, , word] = rest.slice(i, i + fieldsAWord) as [string, string, string, string];
    const ends = rest[i + fieldsAWord]!;
    if (/^[<[+]/.test(word)) continue;
    const at = { from: Number(begins) / framesASecond, to: Number(ends) / framesASecond };
    found.push({ ...at, word: word.replace(/\(\d+\)$/, ''), sure: Number(score) > surelyAbove });
  }
  return found;
}

/**
 * Finds words, said one after another, in plain samples (alignerRate); seconds are of these. Null where no aligner is installed or it finds
 * no way through them. Settings and accuracy: docs/decisions/takes.md.
 */
export async function alignWords(samples: string, asked: readonly string[], folder: string): Promise<FoundWord[] | null> {
  const [grammar, control, segments] = ['said.gram', 'said.ctl', 'said.seg'].map((name) => join(folder, name)) as [string, string, string];
  await writeFile(grammar, `#JSGF V1.0;\ngrammar said;\npublic <said> = ${asked.join(' ')};\n`);
  await writeFile(control, `${basename(samples).replace(/\.raw$/, '')}\n`);
  const heard = ['-adcin', 'yes', '-adchdr', '0', '-cepdir', folder, '-cepext', '.raw', '-ctl', control, '-remove_silence', 'no'];
  const known = ['-hmm', join(model, 'en-us'), '-dict', dictionary, '-jsgf', grammar, '-bestpath', 'no'];
  const wide = ['-beam', '1e-80', '-wbeam', '1e-60', '-pbeam', '1e-80'];
  const run = limited('pocketsphinx_batch', [...heard, ...known, ...wide, '-hypseg', segments], {
    ...{ processorSeconds: 2400, mostBytes: 16 * 1024 ** 2, folder },
  });
  try {
    await execa(run.file, run.args, { ...run.options, stdio: 'ignore' });
  } catch (error) {
    // A text that it cannot lay to the voice must not keep a take without words: they are spread then.
    if (error instanceof ExecaError && error.exitCode !== undefined) return null;
    throw error;
  }
  const found = readSegments(await readFile(segments, 'utf8'));
  return found.length === asked.length && found.every(({ word }, i) => word === asked[i]) ? found : null;
}
