import { describe, expect, it } from 'vitest';
import { soundPeaks } from './soundPeaks.ts';

describe('loudness as bars', () => {
  it('shows where it is loud, against the loudest', () => {
    const samples = Float32Array.from({ length: 400 }, (_, i) => (i < 100 ? 0 : i < 200 ? 0.4 : i < 300 ? -0.8 : 0.2));
    expect(soundPeaks(samples, 4)).toEqual([0, 0.5, 1, 0.25]);
  });

  it('does not draw the hiss of a silent room as speech', () => {
    expect(Math.max(...soundPeaks([0.004, -0.005, 0.003], 3))).toBeLessThanOrEqual(0.1);
  });

  it('of nothing is as many empty bars', () => {
    expect(soundPeaks([], 3)).toEqual([0, 0, 0]);
    expect(soundPeaks([1], 0)).toEqual([]);
  });
});
