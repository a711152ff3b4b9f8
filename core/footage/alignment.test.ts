import { describe, expect, it } from 'vitest';
import { alignMotion, alignSound } from './alignment.ts';
import { fourier } from './fourier.ts';
import { soundRate } from './motion/bells.ts';
import { SoundEnvelope, type FootageSound } from './soundEnvelope.ts';

function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

/**
 * A hall from second `from` on as a microphone `far` hears it: claps and falls at the same times of the hall's clock, and its own murmur.
 */
function heard(from: number, seconds: number, far: number, seed: number): FootageSound {
  const murmur = seeded(seed);
  const hall = seeded(7);
  const claps = Array.from({ length: 60 }, () => ({ at: hall() * 120, loud: 0.3 + 0.7 * hall() }));
  const samples = Float32Array.from({ length: Math.round(seconds * soundRate) }, () => (murmur() - 0.5) * 0.02);
  for (const { at, loud } of claps) {
    const noise = seeded(Math.round(at * 1000));
    const start = Math.round((at - from) * soundRate);
    for (let i = 0; i < 0.12 * soundRate; i++)
      if (start + i >= 0 && start + i < samples.length) samples[start + i]! += (loud / far) * (noise() - 0.5) * Math.exp(-i / 500);
  }
  const envelope = new SoundEnvelope();
  envelope.add(samples);
  return envelope.finish();
}

describe('the sound of footage', () => {
  it('has a peak and an onset for every hundredth of a second', () => {
    const sound = heard(0, 10, 1, 1);
    expect([sound.rate, sound.peaks.length, sound.onsets.length]).toEqual([100, 1000, 1000]);
    expect(Math.max(...sound.peaks)).toBeGreaterThan(60);
    expect(Math.min(...sound.onsets)).toBe(0);
  });

  it('is the same whatever pieces it comes in, and nothing where there is none', () => {
    const [whole, parts] = [new SoundEnvelope(), new SoundEnvelope()];
    const samples = Float32Array.from({ length: 5000 }, (_, i) => Math.sin(i * i * 0.0003));
    whole.add(samples);
    for (let at = 0; at < samples.length; at += 77) parts.add(samples.subarray(at, at + 77));
    expect(parts.finish()).toEqual(whole.finish());
    expect(new SoundEnvelope().finish()).toEqual({ rate: 100, peaks: [], onsets: [] });
  });
});

describe('two cameras', () => {
  it.each([
    ['began later', 13.37],
    ['began earlier', -8.42],
  ])('are aligned by sound to a hundredth of a second where the second one %s and stood further away', (_, offset) => {
    const found = alignSound(heard(20, 60, 1, 1), heard(20 + offset, 50, 3, 2))!;
    expect(Math.abs(found.offsetSeconds - offset)).toBeLessThan(0.011);
    expect(found.confidence).toBeGreaterThan(0.4);
  });

  it('are said with little confidence to agree where they heard different halls', () => {
    const other = new SoundEnvelope();
    const random = seeded(99);
    other.add(Float32Array.from({ length: 50 * soundRate }, (_, i) => (random() - 0.5) * (Math.floor(i / 3000) % 7 === 0 ? 0.3 : 0.02)));
    expect(alignSound(heard(20, 60, 1, 1), other.finish())?.confidence ?? 0).toBeLessThan(0.25);
  });

  it('cannot be aligned where one of them is silent or too short', () => {
    const silent = { rate: 100, peaks: [], onsets: [] };
    expect(alignSound(heard(0, 30, 1, 1), silent)).toBeNull();
    expect(alignSound(heard(0, 30, 1, 1), { ...silent, onsets: new Array<number>(2000).fill(0) })).toBeNull();
    expect(alignSound(heard(0, 30, 1, 1), heard(0, 3, 1, 1))).toBeNull();
  });

  it('are aligned by movement within a frame, at different and uneven frame rates', () => {
    const activity = (t: number): number =>
      Math.max(0, Math.sin(t) + Math.sin(2.3 * t + 1) + Math.sin(5.1 * t + 2) + Math.sin(0.37 * t * t));
    const camera = (from: number, seconds: number, times: (i: number) => number) => {
      const all = Array.from({ length: 5000 }, (_, i) => times(i)).filter((t) => t < seconds);
      return { table: { times: all, endSeconds: seconds }, level: all.map((t) => activity(from + t)) };
    };
    const even = camera(5, 60, (i) => i / 60);
    const uneven = camera(11.3, 40, (i) => i / 30 + (i % 3) * 0.004);
    const found = alignMotion(even, uneven)!;
    expect(Math.abs(found.offsetSeconds - 6.3)).toBeLessThan(1 / 30);
    expect(found.confidence).toBeGreaterThan(0.2);
  });
});

describe('the transform', () => {
  it('of a tone is one line, and the energy stays (Parseval)', () => {
    const [re, im] = [Float64Array.from({ length: 64 }, (_, i) => Math.cos((2 * Math.PI * 5 * i) / 64)), new Float64Array(64)];
    fourier(64)(re, im);
    expect(re[5]).toBeCloseTo(32);
    expect(re.reduce((sum, v, i) => sum + v * v + im[i]! ** 2, 0) / 64).toBeCloseTo(32);
  });

  it('is for powers of two only', () => {
    expect(() => fourier(48)).toThrow("A transform's size is a power of two, not 48.");
  });
});
