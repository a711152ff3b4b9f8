import { levelOf, levelSeconds, noiseOf } from '@lean-mentor/core/takes';
import { open, type FileHandle } from 'node:fs/promises';
import { z } from 'zod';
import { ffmpeg, ffmpegSaid, safeInput } from './ffmpeg.ts';
import type { Demuxer } from './sniffContainer.ts';

/** Voices are worked on at this rate, as 16-bit samples of one channel. */
export const voiceRate = 48_000;
const bytesASample = 2;
/** Longest voice, in seconds, and what it is then as plain samples. */
const mostSeconds = 2 * 3600;
const mostBytes = mostSeconds * voiceRate * bytesASample;

const raw = ['-f', 's16le', '-ar', String(voiceRate), '-ac', '1'];

/** What a browser recorded, as plain samples; one whose end is missing (a tab that died) as far as it goes. Else an FfmpegFailure. */
export const decodeVoice = (demuxer: Demuxer, from: string, to: string, folder: string): Promise<void> =>
  ffmpeg([...safeInput(demuxer, from), '-vn', '-af', 'aresample=async=0', ...raw, to], { processorSeconds: 2400, mostBytes, folder });

/** Plain samples without loss where that is wanted, and as every phone plays them: AAC, beginning before all of it is there. */
export const encodeVoice = (samples: string, to: { flac?: string; m4a: string }, folder: string): Promise<void> =>
  ffmpeg(
    [
      ...[...raw, '-i', samples],
      ...(to.flac ? ['-map', '0:a', '-c:a', 'flac', to.flac] : []),
      ...['-map', '0:a', '-c:a', 'aac', '-b:a', '64k', '-movflags', '+faststart', to.m4a],
    ],
    { processorSeconds: 3600, mostBytes, folder },
  );

/**
 * Rumble below a voice is cut off, and steady noise made softer by 15 dB. The filter is told how loud the noise is, and somewhat more, or
 * it takes the louder part of it for voice; left to find out by itself it took away 4 dB (docs/decisions/takes.md).
 */
const lessNoise = (noiseDb: number): string =>
  `highpass=f=70,afftdn=nr=15:nf=${Math.max(-80, Math.min(-20, Math.round(noiseDb) + noiseMarginDb))}`;
const noiseMarginDb = 6;
/** So many samples later everything comes out of that filter: two of its steps of an 80th of a second. A test holds it to that. */
const noiseDelay = (2 * voiceRate) / 80;

/** The same samples with steady noise taken out: as many, and each where it was. */
export async function denoiseVoice(samples: string, to: string, folder: string): Promise<void> {
  const file = await open(samples);
  const noiseDb = noiseOf(await levelsOf(file).finally(() => file.close()));
  const filter = `apad=pad_len=${noiseDelay},${lessNoise(noiseDb)},atrim=start_sample=${noiseDelay}`;
  await ffmpeg([...raw, '-i', samples, '-af', filter, ...raw, to], { processorSeconds: 3600, mostBytes, folder });
}

/** As loud as speech is elsewhere: integrated loudness, true peak, range (EBU R 128 as phones' players expect it). */
const loudness = 'I=-16:TP=-1.5:LRA=11';

const measured = z.object({
  input_i: z.string(),
  input_tp: z.string(),
  input_lra: z.string(),
  input_thresh: z.string(),
  target_offset: z.string(),
});

/**
 * Plain samples at −16 LUFS, in two passes: the first measures, the second makes all of it evenly louder or softer. Silence from beginning
 * to end has no loudness and stays as it is.
 */
export async function encodeLoudVoice(samples: string, m4a: string, folder: string): Promise<void> {
  const said = await ffmpegSaid([...raw, '-i', samples, '-af', `loudnorm=${loudness}:print_format=json`, '-f', 'null', '-'], 2400);
  const found = measured.parse(JSON.parse(said.slice(said.lastIndexOf('{'), said.lastIndexOf('}') + 1)));
  const known = `measured_I=${found.input_i}:measured_TP=${found.input_tp}:measured_LRA=${found.input_lra}:measured_thresh=${found.input_thresh}`;
  const linear = `loudnorm=${loudness}:${known}:offset=${found.target_offset}:linear=true`;
  const filter = Number.isFinite(Number(found.input_i)) ? ['-af', linear] : [];
  const as = ['-ar', String(voiceRate), '-c:a', 'aac', '-b:a', '64k', '-movflags', '+faststart'];
  await ffmpeg([...raw, '-i', samples, ...filter, ...as, m4a], { processorSeconds: 3600, mostBytes, folder });
}

/** A stretch of plain samples at another rate; a WAV file where its name says so. */
export const voiceStretch = (
  samples: string,
  to: string,
  stretch: { from: number; to: number; rate: number },
  folder: string,
): Promise<void> => {
  const cut = ['-ss', stretch.from.toFixed(6), '-t', (stretch.to - stretch.from).toFixed(6)];
  const as = [...(to.endsWith('.wav') ? [] : ['-f', 's16le']), '-ar', String(stretch.rate), '-ac', '1'];
  return ffmpeg([...raw, ...cut, '-i', samples, ...as, to], { processorSeconds: 1200, mostBytes, folder });
};

/** Where a sample begins in a file of plain samples; `seconds` are taken to the nearest one. */
export const sampleBytes = (seconds: number): number => Math.round(seconds * voiceRate) * bytesASample;

export const samplesIn = (bytes: number): number => Math.floor(bytes / bytesASample);

/** Loudness of plain samples, window by window (levelSeconds). */
export async function levelsOf(file: FileHandle): Promise<number[]> {
  const window = Math.round(levelSeconds * voiceRate);
  const chunk = Buffer.alloc(window * bytesASample * 500);
  const levels: number[] = [];
  for (let at = 0; ;) {
    const { bytesRead } = await file.read(chunk, 0, chunk.length, at);
    if (bytesRead === 0) return levels;
    at += bytesRead;
    const samples = Float32Array.from({ length: samplesIn(bytesRead) }, (_, i) => chunk.readInt16LE(i * bytesASample) / 32_768);
    for (let i = 0; i < samples.length; i += window) levels.push(levelOf(samples.subarray(i, i + window)));
  }
}
