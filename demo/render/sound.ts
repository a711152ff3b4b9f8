import type { GroundTruth } from '../timeline/groundTruth.ts';
import { seeded } from '../timeline/noise.ts';

export const sampleRate = 16000;

/** The hall's sound, mono 16-bit PCM: murmur, a thump at each impact, a two-tone bell at each bell. */
export function soundOf(truth: GroundTruth, seed: number): Int16Array {
  const count = Math.round(truth.seconds * sampleRate);
  const sound = new Float32Array(count);
  const random = seeded(seed + 500);
  let low = 0;
  let slow = 0;
  for (let i = 0; i < count; i++) {
    const noise = random() * 2 - 1;
    low += 0.05 * (noise - low);
    slow += 0.0006 * (random() * 2 - 1 - slow);
    sound[i] = low * (0.12 + Math.min(0.2, Math.abs(slow) * 6));
  }
  const strike = (at: number, seconds: number, wave: (t: number) => number): void => {
    const from = Math.round(at * sampleRate);
    for (let i = 0; i < seconds * sampleRate && from + i < count; i++) sound[from + i]! += wave(i / sampleRate);
  };
  for (const at of truth.impacts)
    strike(at, 0.5, (t) => 0.5 * Math.exp(-t * 14) * Math.sin(2 * Math.PI * 62 * t) + 0.1 * Math.exp(-t * 40) * (random() * 2 - 1));
  for (const at of truth.bells)
    strike(at, 1.2, (t) => Math.exp(-t * 3.2) * (0.34 * Math.sin(2 * Math.PI * 880 * t) + 0.26 * Math.sin(2 * Math.PI * 1320 * t)));
  return Int16Array.from(sound, (v) => Math.max(-1, Math.min(1, v)) * 32000);
}
