import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cutClock, spokenOver, stageReader, type Take, type TakeEvent } from './index.ts';
import { randomTable, randomTake } from './testing/randomTake.ts';

const begin: TakeEvent = {
  ...{ t: 0, kind: 'stage', frame: 30, rate: 0, view: { zoom: 1, x: 0, y: 0 }, mirrored: false, strokes: [], drawings: [], note: null },
};
const even = { times: Array.from({ length: 300 }, (_, i) => i / 30), endSeconds: 10 };
const over = (events: TakeEvent[], cuts: Take['cuts'] = []) => spokenOver({ seconds: 10, events: [begin, ...events], cuts }, even);

describe('what of the footage was spoken over', () => {
  it('is where it rested and what ran, forwards or backwards, each once', () => {
    const events: TakeEvent[] = [
      { t: 2, kind: 'run', frame: 60, rate: 1 },
      { t: 3, kind: 'run', frame: 90, rate: -1 },
      { t: 4, kind: 'stop', frame: 60 },
      { t: 6, kind: 'show', frame: 200 },
    ];
    expect(over(events)).toEqual([
      { fromFrame: 30, toFrame: 31 },
      { fromFrame: 60, toFrame: 91 },
      { fromFrame: 200, toFrame: 201 },
    ]);
    expect(over(events, [{ from: 0, to: 2 }])[0]).toEqual({ fromFrame: 60, toFrame: 91 });
  });

  it('holds every frame that is seen at any instant that is heard, and no other stretch', () => {
    fc.assert(
      fc.property(
        randomTake,
        randomTable,
        fc.array(fc.double({ min: 0, max: 0.999, noNaN: true }), { minLength: 1, maxLength: 20 }),
        (take, table, shares) => {
          const stretches = spokenOver(take, table);
          const clock = cutClock(take);
          const { stageAt } = stageReader(take, table);
          for (const share of shares) {
            if (clock.seconds <= 0) continue;
            const { frame } = stageAt(clock.toRecorded(share * clock.seconds));
            expect(stretches.some(({ fromFrame, toFrame }) => fromFrame <= frame && frame < toFrame)).toBe(true);
          }
          stretches.forEach(({ fromFrame, toFrame }, i) => {
            expect(toFrame).toBeGreaterThan(fromFrame);
            if (i > 0) expect(fromFrame).toBeGreaterThan(stretches[i - 1]!.toFrame);
          });
        },
      ),
    );
  });
});
