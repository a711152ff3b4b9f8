import { describe, expect, it } from 'vitest';
import { spacedPictures, strongestByRow, timeLayout } from './timeLayout.ts';

const table = (seconds: number, rate = 30) => ({ times: Array.from({ length: seconds * rate }, (_, i) => i / rate), endSeconds: seconds });

describe('the page on which time runs down', () => {
  it('is as tall as the footage is long, within what a page may be', () => {
    expect(timeLayout(table(30)).height).toBe(620);
    expect(timeLayout(table(600)).height).toBe(1800);
    expect(timeLayout(table(4 * 3600, 1)).height).toBe(9000);
  });

  it('puts frames where their time stands and finds them there again', () => {
    const layout = timeLayout(table(600));
    for (const frame of [0, 1, 900, 9000, 17_999]) expect(layout.frameAtY(layout.yOf(frame) + 0.01)).toBe(frame);
    expect(layout.yOf(18_000)).toBe(1800);
    expect([layout.frameAtY(-50), layout.frameAtY(99_999)]).toEqual([0, 17_999]);
  });

  it('writes clock times that leave room for one another', () => {
    for (const seconds of [20, 60, 600, 3600]) {
      const { ticks, yOfSeconds } = timeLayout(table(seconds, 5));
      expect(ticks.length).toBeGreaterThan(2);
      ticks.slice(1).forEach((tick, i) => expect(yOfSeconds(tick) - yOfSeconds(ticks[i]!)).toBeGreaterThanOrEqual(46));
    }
  });

  it('keeps the strongest of what falls into one row', () => {
    expect([...strongestByRow([1, 5, 2, 9, 0.5], 3, (i) => i / 2)]).toEqual([5, 9, 0.5]);
    expect([...strongestByRow([7], 2, () => 99)]).toEqual([0, 7]);
  });

  it('shows small pictures that do not lie over one another, the first always', () => {
    const shown = spacedPictures([0, 10, 20, 60, 70, 130], (frame) => frame, 40);
    expect(shown.map(({ index, frame }) => [index, frame])).toEqual([
      [0, 0],
      [3, 60],
      [5, 130],
    ]);
  });
});
