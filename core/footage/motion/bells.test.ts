import { describe, expect, it } from 'vitest';
import { BellFinder, soundRate } from './bells.ts';

/** `seconds` of hall murmur from a seeded generator, with what is laid over it. */
function hall(seconds: number, over: (t: number) => number): Float32Array {
  let state = 12345;
  let low = 0;
  return Float32Array.from({ length: seconds * soundRate }, (_, i) => {
    state = (Math.imul(state, 1103515245) + 12345) >>> 0;
    low += 0.05 * (state / 2 ** 31 - 1 - low);
    return low * 0.15 + over(i / soundRate);
  });
}
const ring = (t: number, at: number, tones: number[], loud = 0.3, fade = 3): number =>
  t < at ? 0 : tones.reduce((sum, hz) => sum + loud * Math.exp(-fade * (t - at)) * Math.sin(2 * Math.PI * hz * (t - at)), 0);
const bellsOf = (sound: Float32Array): number[] => {
  const finder = new BellFinder();
  finder.add(sound);
  return finder.bells();
};

describe('bells', () => {
  it.each([
    ['a two-tone bell', [880, 1320]],
    ['a buzzer', [1000, 3000]],
    ['a whistle', [2900]],
  ])('%s is found where it begins', (_, tones) => {
    const [found, ...more] = bellsOf(hall(8, (t) => ring(t, 3.21, tones)));
    expect(more).toEqual([]);
    expect(Math.abs(found! - 3.21)).toBeLessThan(0.05);
  });

  it('struck twice in a second is one', () => {
    expect(bellsOf(hall(8, (t) => ring(t, 3, [880, 1320]) + ring(t, 3.7, [880, 1320])))).toHaveLength(1);
  });

  it('are not heard in thumps, in a voice that glides, or in silence', () => {
    const thump = (t: number): number => (t < 2 ? 0 : 0.6 * Math.exp(-14 * (t - 2)) * Math.sin(2 * Math.PI * 62 * (t - 2)));
    expect(bellsOf(hall(6, thump))).toEqual([]);
    expect(bellsOf(new Float32Array(4 * soundRate))).toEqual([]);
    expect(bellsOf(new Float32Array(0))).toEqual([]);
    // A short chirp: tonal, but no bell rings for so short a time.
    expect(bellsOf(hall(6, (t) => (t > 2 && t < 2.15 ? 0.3 * Math.sin(2 * Math.PI * 1500 * t) : 0)))).toEqual([]);
  });
});
