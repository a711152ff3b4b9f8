import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ffmpeg } from './ffmpeg.ts';
import { denoiseVoice, voiceRate } from './voice.ts';

const seconds = 6;
/** Steady noise; over it, but for two seconds in the middle, a click of 2 ms each second. */
const clicks = `aevalsrc='0.004*(random(0)*2-1)+if(lt(mod(t+0.5\\,1)\\,0.002)*gt(abs(t-3)\\,1)\\,0.8\\,0)':s=${voiceRate}:d=${seconds}`;

let folder: string;
let before: Int16Array;
let after: Int16Array;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-voice-'));
  const [noisy, clean] = [join(folder, 'noisy.raw'), join(folder, 'clean.raw')];
  await ffmpeg(['-f', 'lavfi', '-i', clicks, '-f', 's16le', noisy], { processorSeconds: 60, mostBytes: 2 ** 24, folder });
  await denoiseVoice(noisy, clean, folder);
  const samplesOf = async (file: string) => new Int16Array(new Uint8Array(await readFile(file)).buffer);
  [before, after] = [await samplesOf(noisy), await samplesOf(clean)];
});
afterAll(() => rm(folder, { recursive: true, force: true }));

/** Where it becomes loud, in samples. */
const loudAt = (samples: Int16Array): number[] =>
  [...samples.keys()].filter(
    (i) => Math.abs(samples[i]!) > 8000 && !samples.slice(Math.max(0, i - 4000), i).some((x) => Math.abs(x) > 8000),
  );
/** Loudness of the stretch in which there is only noise. */
const restOf = (samples: Int16Array): number => {
  const rest = samples.slice(2.5 * voiceRate, 4 * voiceRate);
  return Math.sqrt(rest.reduce((sum, x) => sum + x * x, 0) / rest.length);
};

describe('a voice with its noise taken out', () => {
  it('is as long, and everything in it is heard at the very sample where it was', () => {
    expect(after.length).toBe(before.length);
    expect(loudAt(before)).toHaveLength(seconds - 2);
    expect(loudAt(after)).toEqual(loudAt(before));
  });

  it('has about 15 dB less noise between what is said', () => {
    expect(restOf(after)).toBeLessThan(restOf(before) / 4);
  });
});
