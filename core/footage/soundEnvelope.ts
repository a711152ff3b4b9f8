import { soundRate } from './motion/bells.ts';

/** Numbers a second that stand for the sound. */
export const soundEnvelopeRate = 100;
const perNumber = soundRate / soundEnvelopeRate;
/** Power below which there is nothing to be heard; it keeps the logarithm of silence in bounds. */
const floor = 1e-7;

/** A footage's sound as a reviewer needs it: to be seen, and to be laid beside another camera's. */
export interface FootageSound {
  /** Numbers a second. */
  rate: number;
  /** Loudest sample of each hundredth of a second, 0..255. */
  peaks: number[];
  /**
   * How much louder than just before each hundredth is, in decibel, 0 where it is not: claps, falls and bells stand out, and how far a
   * microphone stood away does not matter.
   */
  onsets: number[];
}

/** Collects sound piece by piece, `soundRate` samples a second, −1..1. */
export class SoundEnvelope {
  private readonly peaks: number[] = [];
  private readonly levels: number[] = [];
  private peak = 0;
  private power = 0;
  private held = 0;
  private before = 0;

  add(samples: ArrayLike<number>): void {
    for (let i = 0; i < samples.length; i++) {
      const sample = samples[i]!;
      this.peak = Math.max(this.peak, Math.abs(sample));
      // A first difference takes out rumble and handling of the camera.
      this.power += (sample - this.before) ** 2;
      this.before = sample;
      if (++this.held < perNumber) continue;
      this.peaks.push(Math.min(255, Math.round(this.peak * 255)));
      this.levels.push(10 * Math.log10(this.power / perNumber + floor));
      this.peak = this.power = this.held = 0;
    }
  }

  finish(): FootageSound {
    // Beside the mean of the tenth of a second before: a slow swell is no onset.
    const onsets = this.levels.map((level, i) => {
      const before = this.levels.slice(Math.max(0, i - 10), i);
      const usual = before.length > 0 ? before.reduce((sum, v) => sum + v, 0) / before.length : level;
      return Math.max(0, Math.round((level - usual) * 10) / 10);
    });
    return { rate: soundEnvelopeRate, peaks: this.peaks, onsets };
  }
}
