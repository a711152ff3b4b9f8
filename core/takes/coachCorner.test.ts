import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { coachCorner, coachPictures, coachRate, stageReader, withoutCuts, type TakeEvent } from './index.ts';

const table = { times: Array.from({ length: 300 }, (_, i) => i / 30), endSeconds: 10 };
const stage = (t: number, coach?: 'round' | 'square'): TakeEvent => ({
  ...{ t, kind: 'stage', frame: 3, rate: 0, view: { zoom: 1, x: 0, y: 0 }, mirrored: false, strokes: [], drawings: [], note: null },
  ...(coach && { coach }),
});

describe('the coach in a corner', () => {
  it('lies wholly on the stage, wide or tall', () => {
    for (const size of [
      { width: 1280, height: 720 },
      { width: 720, height: 1280 },
    ]) {
      const { x, y, side } = coachCorner(size);
      expect([x > size.width / 2, x + side < size.width, y > size.height / 2, y + side < size.height]).toEqual([true, true, true, true]);
    }
  });

  it('is seen in the parts that were recorded so, also after what is cut out of them', () => {
    const take = { seconds: 9, events: [stage(0, 'round'), stage(3), stage(6, 'square')], captions: [], chapters: [] };
    const shapes = (cuts: { from: number; to: number }[], at: number[]) => {
      const left = withoutCuts({ ...take, cuts }, table);
      return at.map((t) => stageReader(left, table).stageAt(t).coach);
    };
    expect(shapes([], [0, 2.9, 3, 5, 6, 9])).toEqual(['round', 'round', null, null, 'square', 'square']);
    expect(shapes([{ from: 2, to: 7 }], [0, 1.9, 2.1])).toEqual(['round', 'round', 'square']);
  });

  it('is as long as the voice that is left, whatever is cut out: never a picture apart', () => {
    const lengths = fc.array(fc.tuple(fc.double({ min: 0.01, max: 3, noNaN: true }), fc.double({ min: 0, max: 2, noNaN: true })), {
      minLength: 1,
      maxLength: 60,
    });
    fc.assert(
      fc.property(lengths, (given) => {
        let at = 0;
        const stretches = given.map(([long, gap]) => {
          const stretch = { from: at, to: at + long };
          at = stretch.to + gap;
          return stretch;
        });
        let [heard, pictures] = [0, 0];
        coachPictures(stretches).forEach(({ first, end }, i) => {
          const { from, to } = stretches[i]!;
          expect(Math.abs(first / coachRate - from)).toBeLessThanOrEqual(0.5 / coachRate + 1e-9);
          heard += to - from;
          pictures += end - first;
          expect(Math.abs(pictures / coachRate - heard)).toBeLessThanOrEqual(0.5 / coachRate + 1e-9);
        });
      }),
    );
  });
});
