import { captionTexts, wordsToAlign } from '@lean-mentor/core/takes';
import { bramVoice } from '@lean-mentor/demo';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { alignerRate, alignerWords, alignWords } from './aligner.ts';
import { decodeVoice, voiceStretch } from './voice.ts';

let folder: string;
let samples: string;
let known: ReadonlySet<string>;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-aligner-'));
  const whole = join(folder, 'whole.raw');
  samples = join(folder, 'voice.raw');
  await decodeVoice('matroska', bramVoice.file, whole, folder);
  await voiceStretch(whole, samples, { from: 0, to: 200, rate: alignerRate }, folder);
  known = (await alignerWords())!;
});
afterAll(() => rm(folder, { recursive: true, force: true }));

const find = async (lines: readonly string[]) => {
  const asked = wordsToAlign(lines, (word) => known.has(word));
  const found = await alignWords(
    samples,
    asked.map(({ word }) => word),
    folder,
  );
  return { asked, found: found! };
};

describe('an aligner', () => {
  it('finds each line of a made voice where it begins, to a fifth of a second', async () => {
    const { asked, found } = await find(bramVoice.lines.map(({ say }) => say));
    const late = bramVoice.lines.map(({ from }, line) => found[asked.findIndex((word) => word.line === line)]!.from - from);
    expect(Math.max(...late.map(Math.abs))).toBeLessThan(0.25);
    expect(found.filter(({ sure }) => sure).length).toBeGreaterThan(found.length * 0.95);
  });

  it('is not sure of a text that was not said', async () => {
    const other = 'Seven men carry large wooden boxes along this narrow street toward an old harbour where nobody waits for them';
    const { found } = await find(captionTexts(`${other}. ${other}.`));
    expect(found.filter(({ sure }) => sure).length).toBeLessThan(found.length * 0.5);
  });
});
