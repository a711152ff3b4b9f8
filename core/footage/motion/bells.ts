import { fourier } from '../fourier.ts';

/** Samples of one spectrum and between two, at `soundRate` samples a second: 32 ms, every 8 ms. */
export const soundRate = 16_000;
const size = 512;
const hop = 128;
/** The band in which bells, buzzers and whistles ring, in Hz. */
const band = { from: 500, to: 4500 };
/** A ringing tone: this share of the band's power in its two strongest lines, this many times the usual power, this long in seconds. */
const tonalShare = 0.6;
const louderThan = 12;
const leastSeconds = 0.25;
/** Two onsets nearer than this, in seconds, are one bell struck twice. */
const apartSeconds = 2;

const hann = Float64Array.from({ length: size }, (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / (size - 1)));

const transform = fourier(size);

interface Tone {
  /** Power in the band. */
  power: number;
  /** Share of it in the two strongest lines. */
  tonal: number;
}

/** Collects sound piece by piece and tells where bells ring; memory grows by two numbers for every 8 ms of sound. */
export class BellFinder {
  private readonly tones: Tone[] = [];
  private readonly rest = new Float64Array(size);
  private held = 0;

  /** Takes the next samples, −1..1. */
  add(samples: ArrayLike<number>): void {
    for (let i = 0; i < samples.length; i++) {
      this.rest[this.held++] = samples[i]!;
      if (this.held < size) continue;
      this.tones.push(toneOf(this.rest));
      this.rest.copyWithin(0, hop);
      this.held = size - hop;
    }
  }

  /** Seconds from the start of the sound at which bells begin to ring, ascending. */
  bells(): number[] {
    const powers = Float64Array.from(this.tones, (t) => t.power).sort();
    const usual = powers[Math.floor(powers.length / 2)] ?? 0;
    const rings = this.tones.map(({ power, tonal }) => tonal >= tonalShare && power > usual * louderThan && power > 1e-6);
    const least = Math.ceil((leastSeconds * soundRate) / hop);
    const found: number[] = [];
    for (let i = 0, since = -1; i <= rings.length; i++) {
      if (rings[i]) {
        if (since < 0) since = i;
        continue;
      }
      if (since >= 0 && i - since >= least) {
        // The tone is heard once it fills half of the window.
        const seconds = (since * hop + size / 2) / soundRate;
        if (found.length === 0 || seconds - found[found.length - 1]! > apartSeconds) found.push(seconds);
      }
      since = -1;
    }
    return found;
  }
}

const firstLine = Math.round((band.from * size) / soundRate);
const lines = Math.round((band.to * size) / soundRate) - firstLine;
/** Workspaces: a footage of ten minutes has 75,000 spectra. */
const re = new Float64Array(size);
const im = new Float64Array(size);
const power = new Float64Array(lines);

/** Takes the strongest line, three bins wide under a Hann window and one more for what lies between bins, out of `power`. */
function takeLine(): number {
  let at = 0;
  for (let i = 1; i < lines; i++) if (power[i]! > power[at]!) at = i;
  let line = 0;
  for (let i = Math.max(0, at - 2); i <= Math.min(lines - 1, at + 2); i++) {
    line += power[i]!;
    power[i] = 0;
  }
  return line;
}

function toneOf(samples: Float64Array): Tone {
  for (let i = 0; i < size; i++) {
    re[i] = samples[i]! * hann[i]!;
    im[i] = 0;
  }
  transform(re, im);
  let total = 0;
  for (let i = 0; i < lines; i++) total += power[i] = (re[firstLine + i]! ** 2 + im[firstLine + i]! ** 2) / size ** 2;
  return { power: total, tonal: total > 0 ? (takeLine() + takeLine()) / total : 0 };
}
