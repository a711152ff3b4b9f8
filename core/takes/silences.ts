import type { Seconds } from '../footage/index.ts';
import type { TakeStretch } from './take.ts';

/** Loudness is taken over windows of this length. */
export const levelSeconds: Seconds = 0.01;

/** Softer than this, against full scale, is silence: −38 dB, as measured on made voices. */
const silentBelow = 10 ** (-38 / 20);
/** A silence shorter than this is between two words. */
const shortestSilence: Seconds = 0.3;

/** Root mean square of a window of samples between −1 and 1. */
export function levelOf(samples: ArrayLike<number>): number {
  let sum = 0;
  for (let i = 0; i < samples.length; i++) sum += samples[i]! * samples[i]!;
  return samples.length === 0 ? 0 : Math.sqrt(sum / samples.length);
}

/** Where nobody speaks, ascending, in seconds; `levels`: loudness of one window after another. */
export function silencesOf(levels: ArrayLike<number>): TakeStretch[] {
  const silences: TakeStretch[] = [];
  let from: number | null = null;
  for (let i = 0; i <= levels.length; i++) {
    const silent = i < levels.length && levels[i]! < silentBelow;
    if (silent) from ??= i;
    else if (from !== null) {
      const [begins, ends] = [from * levelSeconds, i * levelSeconds];
      if (ends - begins >= shortestSilence - 1e-9) silences.push({ from: begins, to: ends });
      from = null;
    }
  }
  return silences;
}

/**
 * Loudness of what is heard while nobody speaks, in dB of full scale: so loud is the softest tenth of all windows, since even who never
 * pauses leaves gaps between words. −Infinity where that is digital silence, or there are no windows.
 */
export function noiseOf(levels: ArrayLike<number>): number {
  const ascending = Float64Array.from(levels).sort();
  return 20 * Math.log10(ascending[Math.floor(ascending.length / 10)] ?? 0);
}

/** Where somebody speaks: all that is not silence. */
export function speechOf(silences: readonly TakeStretch[], seconds: Seconds): TakeStretch[] {
  const speech: TakeStretch[] = [];
  let at = 0;
  for (const { from, to } of silences) {
    if (from > at) speech.push({ from: at, to: from });
    at = to;
  }
  return at < seconds ? [...speech, { from: at, to: seconds }] : speech;
}
