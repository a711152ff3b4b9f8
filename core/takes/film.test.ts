import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { captionSvg } from './captionSvg.ts';
import { filmInstant, filmLength, filmRate, filmReads } from './film.ts';
import { stageReader } from './stage.ts';
import { randomTable, randomTake } from './testing/randomTake.ts';

const evenly = (rate: number, frames = 300) => ({
  times: Array.from({ length: frames }, (_, i) => Math.round((i / rate) * 1e6) / 1e6),
  endSeconds: frames / rate,
});

describe('the rate of a film', () => {
  it('is that of its footage where that runs as cameras do', () => {
    for (const [rate, expected] of [
      [30, { pictures: 30, per: 1 }],
      [30_000 / 1001, { pictures: 30_000, per: 1001 }],
      [24_000 / 1001, { pictures: 24_000, per: 1001 }],
      [24, { pictures: 24, per: 1 }],
      [25, { pictures: 25, per: 1 }],
      [60, { pictures: 60, per: 1 }],
    ] as const)
      expect(filmRate(evenly(rate))).toEqual(expected);
  });

  it('is one that every player knows where the footage runs unevenly, very fast or very slowly', () => {
    expect(filmRate(evenly(120))).toEqual({ pictures: 60, per: 1 });
    expect(filmRate(evenly(10))).toEqual({ pictures: 30, per: 1 });
    expect(filmRate({ times: [0], endSeconds: 1 })).toEqual({ pictures: 30, per: 1 });
    fc.assert(
      fc.property(randomTable, (table) => {
        const { pictures, per } = filmRate(table);
        expect(pictures / per).toBeGreaterThan(23);
        expect(pictures / per).toBeLessThanOrEqual(60);
      }),
    );
  });

  it('gives each frame of even footage one picture at full speed', () => {
    const table = evenly(30_000 / 1001);
    const rate = filmRate(table);
    const run = { t: 0, kind: 'stage', frame: 0, rate: 1, view: { zoom: 1, x: 0, y: 0 }, mirrored: false } as const;
    const { stageAt } = stageReader({ events: [{ ...run, strokes: [], drawings: [], note: null }] }, table);
    const frames = Array.from({ length: 200 }, (_, k) => stageAt(filmInstant(k, rate)).frame);
    expect(frames).toEqual(Array.from({ length: 200 }, (_, k) => k));
  });
});

describe('how the pictures of a film are read', () => {
  const cases = fc.tuple(randomTake, randomTable, fc.integer({ min: 2, max: 40 }));

  it('has every picture once and in order, each from a read that holds its frame, and holds no more frames than it may', () => {
    fc.assert(
      fc.property(cases, ([take, table, mostHeld]) => {
        const rate = filmRate(table);
        const { stageAt } = stageReader(take, table);
        const stages = Array.from({ length: filmLength(take.seconds, rate) }, (_, k) => stageAt(filmInstant(k, rate)));
        const reads = filmReads(stages, mostHeld);
        expect(reads.flatMap((read) => read.stages)).toEqual(stages);
        for (const { first, last, backwards, look, stages: shown } of reads) {
          const frames = shown.map(({ frame }) => frame);
          expect([Math.min(...frames), Math.max(...frames)]).toEqual([first, last]);
          expect(frames).toEqual([...frames].sort((a, b) => (backwards ? b - a : a - b)));
          if (backwards) expect(last - first).toBeLessThan(mostHeld);
          if (look) for (const { view, mirrored } of shown) expect({ view, mirrored }).toEqual(look);
        }
      }),
    );
  });

  it('is one read for a run with a rest before and after it', () => {
    const table = evenly(30);
    const begin = {
      t: 0,
      kind: 'stage',
      frame: 3,
      rate: 0,
      view: { zoom: 1, x: 0, y: 0 },
      mirrored: false,
      strokes: [],
      drawings: [],
    } as const;
    const { stageAt } = stageReader(
      {
        events: [
          { ...begin, note: null },
          { t: 1, kind: 'run', frame: 3, rate: 1 },
          { t: 3, kind: 'stop', frame: 63 },
        ],
      },
      table,
    );
    const stages = Array.from({ length: 120 }, (_, k) => stageAt(filmInstant(k, { pictures: 30, per: 1 })));
    expect(filmReads(stages, 30)).toMatchObject([{ first: 3, last: 63, backwards: false }]);
  });
});

describe('words burnt into a film', () => {
  const size = { width: 1280, height: 720 };
  const lines = (words: string): number => captionSvg(words, size).split('<path').length - 1;

  it('stand on one line where they fit, on two even ones where they do not, and inside the picture', () => {
    expect(lines('Watch this hand.')).toBe(1);
    expect(lines('Watch this hand: it leaves the hip as she turns, and then there is nothing between them.')).toBe(2);
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 90 }), (words) => {
        const [, x, y, wide, high] = /<rect x="([^"]+)" y="([^"]+)" width="([^"]+)" height="([^"]+)"/
          .exec(captionSvg(words, size))!
          .map(Number);
        expect(y! + high!).toBeLessThan(size.height);
        if (words.split(/\s+/u).every((word) => word.length < 30)) expect([x! >= 0, x! + wide! <= size.width]).toEqual([true, true]);
      }),
    );
  });
});
