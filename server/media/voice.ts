import { levelOf, levelSeconds } from '@lean-mentor/core/takes';
import type { FileHandle } from 'node:fs/promises';
import { ffmpeg, safeInput } from './ffmpeg.ts';
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
  ffmpeg([...safeInput(demuxer, from), '-vn', '-af', 'aresample=async=0', ...raw, to], { timeoutSeconds: 600, mostBytes, folder });

/** Plain samples without loss, and as every phone plays them: AAC, beginning before all of it is there. */
export const encodeVoice = (samples: string, to: { flac: string; m4a: string }, folder: string): Promise<void> =>
  ffmpeg(
    [
      ...[...raw, '-i', samples],
      ...['-map', '0:a', '-c:a', 'flac', to.flac],
      ...['-map', '0:a', '-c:a', 'aac', '-b:a', '64k', '-movflags', '+faststart', to.m4a],
    ],
    { timeoutSeconds: 900, mostBytes, folder },
  );

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
