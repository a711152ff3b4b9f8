import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  cutClock,
  joinedCuts,
  motionsOf,
  pausesToCut,
  stageReader,
  wantedFrames,
  withoutCuts,
  type Stage,
  type Take,
  type TakeEvent,
} from './index.ts';
import { randomTable, randomTake } from './testing/randomTake.ts';

const table = { times: Array.from({ length: 300 }, (_, i) => i / 30), endSeconds: 10 };
const begin: TakeEvent = {
  ...{ t: 0, kind: 'stage', frame: 30, rate: 0, view: { zoom: 1, x: 0, y: 0 }, mirrored: false },
  ...{ strokes: [], drawings: [], note: null },
};
const takeOf = (events: TakeEvent[], more: Partial<Take> = {}): Take => ({
  ...{ seconds: 20, events: [begin, ...events], cuts: [], captions: [], chapters: [], ...more },
});
const shares = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1, maxLength: 12 });
const runs = { numRuns: 300 };

describe('the stage of a take', () => {
  const stageAt = (take: Take, t: number) => stageReader(take, table).stageAt(t);

  it('runs with the voice by the footage’s own times, at any rate and backwards, and rests where it was stopped', () => {
    const take = takeOf([
      { t: 1, kind: 'run', frame: 30, rate: 1 },
      { t: 3, kind: 'stop', frame: 90 },
      { t: 4, kind: 'run', frame: 90, rate: -0.5 },
      { t: 6, kind: 'show', frame: 200 },
    ]);
    expect([0.5, 2, 3.5, 5, 6, 9].map((t) => stageAt(take, t).frame)).toEqual([30, 60, 90, 75, 200, 200]);
    expect([0.5, 2, 3.5, 5].map((t) => stageAt(take, t).rate)).toEqual([0, 1, 0, -0.5]);
  });

  it('never runs beyond the ends of the footage', () => {
    const take = takeOf([
      { t: 1, kind: 'run', frame: 290, rate: 2 },
      { t: 5, kind: 'run', frame: 10, rate: -1 },
    ]);
    expect([stageAt(take, 4).frame, stageAt(take, 9).frame]).toEqual([299, 0]);
  });

  it('lets strokes grow as they were drawn, and rubs them out', () => {
    const points = [[0.1, 0.1, 0] as const, [0.2, 0.2, 400] as const, [0.3, 0.3, 900] as const];
    const stroke = { id: 's', tool: 'freehand', colour: 'client', weight: 'plain', words: '', points } as const;
    const take = takeOf([
      { t: 1, kind: 'stroke', ...stroke },
      { t: 5, kind: 'rub', id: 's' },
    ]);
    expect([0.9, 1, 1.4, 1.9, 4.9, 5].map((t) => stageAt(take, t).strokes[0]?.points.length ?? 0)).toEqual([0, 1, 2, 3, 3, 0]);
  });

  it('goes straight from view to view while the hand moves, and jumps otherwise', () => {
    const take = takeOf([
      { t: 1, kind: 'view', zoom: 2, x: 0, y: 0 },
      { t: 1.08, kind: 'view', zoom: 2, x: 0.4, y: 0.2 },
      { t: 3, kind: 'view', zoom: 4, x: 0.1, y: 0.1 },
    ]);
    expect(stageAt(take, 1.04).view).toEqual({ zoom: 2, x: expect.closeTo(0.2), y: expect.closeTo(0.1) });
    expect(stageAt(take, 2.95).view).toEqual({ zoom: 2, x: 0.4, y: 0.2 });
  });

  it('shows copies of drawings on their own frames only, and the note that is open', () => {
    const drawing = {
      id: 'd',
      tool: 'ring',
      colour: 'client',
      weight: 'plain',
      words: '',
      points: [],
      keys: [],
      fromFrame: 50,
      toFrame: 60,
    } as const;
    const take = takeOf([
      { t: 1, kind: 'drawings', shown: [{ ...drawing, points: [], keys: [] }] },
      { t: 2, kind: 'note', id: 'n', open: true, words: 'Elbow in.' },
      { t: 3, kind: 'show', frame: 55 },
      { t: 4, kind: 'note', id: 'n', open: false, words: '' },
    ]);
    expect([2, 3, 5].map((t) => [stageAt(take, t).drawings.length, stageAt(take, t).note?.words])).toEqual([
      [0, 'Elbow in.'],
      [1, 'Elbow in.'],
      [1, undefined],
    ]);
  });

  it('is the same with checkpoints as without, whatever happened', () => {
    fc.assert(
      fc.property(randomTake, randomTable, shares, (take, frames, instants) => {
        const [quick, slow] = [stageReader(take, frames), stageReader(take, frames, { checkpoints: false })];
        for (const share of instants) expect(quick.stageAt(share * take.seconds)).toEqual(slow.stageAt(share * take.seconds));
      }),
      runs,
    );
  });

  it('backwards shows the frames of forwards, the other way round', () => {
    fc.assert(
      fc.property(randomTable, fc.integer({ min: 1, max: 39 }), fc.constantFrom(0.25, 0.5, 1), (frames, frame, rate) => {
        const seconds = frames.times[frame]! / rate;
        const framesOf = (first: number, speed: number): number[] =>
          wantedFrames(takeOf([{ t: 0, kind: 'run', frame: first, rate: speed }], { seconds }), [], frames, 0, 1e4);
        // The last one of a run may be on the stage for no time at all.
        expect([...new Set([...framesOf(frame, -rate), 0])].reverse()).toEqual([...new Set([...framesOf(0, rate), frame])]);
      }),
      runs,
    );
  });
});

describe('cuts', () => {
  it('lead every instant that is left to where it is heard, and back', () => {
    fc.assert(
      fc.property(randomTake, shares, (take, instants) => {
        const { toNew, toRecorded, seconds, cuts } = cutClock(take);
        for (const share of instants) {
          expect(toNew(toRecorded(share * seconds))).toBeCloseTo(share * seconds, 6);
          const t = share * take.seconds;
          // At the very edge of a cut, where sums are not exact, either side may be meant.
          if (!cuts.some(({ from, to }) => t > from - 1e-9 && t < to + 1e-9)) expect(toRecorded(toNew(t))).toBeCloseTo(t, 6);
        }
      }),
      runs,
    );
  });

  it('that overlap are one, and the order in which they were made changes nothing', () => {
    const cuts = [
      { from: 8, to: 9 },
      { from: 2, to: 4 },
      { from: 3, to: 5 },
      { from: 19, to: 30 },
      { from: 7, to: 7 },
    ];
    const joined = [
      { from: 2, to: 5 },
      { from: 8, to: 9 },
      { from: 19, to: 20 },
    ];
    expect(joinedCuts(takeOf([], { cuts }))).toEqual(joined);
    expect(joinedCuts(takeOf([], { cuts: [...cuts].reverse() }))).toEqual(joined);
    expect([0, 2, 3, 5, 10, 20].map(cutClock(takeOf([], { cuts })).toNew)).toEqual([0, 2, 2, 2, 6, 15]);
  });

  it('leave a take whose times ascend, within its length', () => {
    fc.assert(
      fc.property(randomTake, randomTable, (take, frames) => {
        const left = withoutCuts(take, frames);
        const times = left.events.map(({ t }) => t);
        expect(times).toEqual([...times].sort((a, b) => a - b));
        expect(left.events[0]).toMatchObject({ t: 0, kind: 'stage' });
        for (const { from, to } of left.captions) expect(from >= 0 && from < to && to <= left.seconds + 1e-9).toBe(true);
        for (const { from } of left.chapters) expect(from >= 0 && from < left.seconds).toBe(true);
      }),
      runs,
    );
  });

  it('leave the same to be seen at every instant that is left', () => {
    fc.assert(
      fc.property(randomTake, randomTable, shares, (take, frames, instants) => {
        const { toRecorded, seconds, cuts } = cutClock(take);
        const [before, after] = [stageReader(take, frames), stageReader(withoutCuts(take, frames), frames)];
        for (const share of instants) {
          const [heard, t] = [share * seconds, toRecorded(share * seconds)];
          // At the very edge of a cut either side may be meant.
          if (cuts.some(({ from, to }) => Math.abs(t - to) < 0.2 || Math.abs(t - from) < 0.2)) continue;
          const [was, is] = [before.stageAt(t), after.stageAt(heard)];
          // Sums of times are not exact: at the very beginning of a frame it may still be the one before.
          expect(Math.abs(was.frame - is.frame)).toBeLessThanOrEqual(1);
          // What is played over and over is at its end or at its beginning again.
          const apart = Math.abs((was.compare?.offset ?? 0) - (is.compare?.offset ?? 0));
          expect(Math.min(apart, Math.abs(apart - 1.25))).toBeLessThan(1e-6);
          const plain = ({ strokes, compare, ...stage }: Stage) => ({
            ...{ ...stage, frame: 0, compare: compare && { ...compare, offset: 0 } },
            strokes: strokes.map(({ id, points }) => [id, points.length]),
          });
          expect(plain(is)).toEqual(plain(was));
        }
      }),
      runs,
    );
  });

  it('of pauses take silences in which the stage rests too, and leave half a second', () => {
    const take = takeOf([
      { t: 2, kind: 'run', frame: 0, rate: 1 },
      { t: 4, kind: 'stop', frame: 60 },
    ]);
    const silences = [
      { from: 1, to: 6 },
      { from: 10, to: 11 },
      { from: 12, to: 15 },
    ];
    expect(pausesToCut(take, silences)).toEqual([
      { from: 4.25, to: 5.75 },
      { from: 12.25, to: 14.75 },
    ]);
  });

  it('of pauses never take away anything that moves', () => {
    fc.assert(
      fc.property(randomTake, randomTable, shares, (take, frames, edges) => {
        const marks = [...edges].sort((a, b) => a - b).map((share) => share * take.seconds);
        const silences = marks.flatMap((from, i) => (i % 2 === 0 && marks[i + 1] ? [{ from, to: marks[i + 1]! }] : []));
        const { stageAt } = stageReader(take, frames);
        for (const { from, to } of pausesToCut(take, silences)) {
          expect(stageAt(to)).toEqual(stageAt(from));
          expect(silences.some((silence) => silence.from < from && to < silence.to)).toBe(true);
        }
      }),
      runs,
    );
  });
});

/** How many of some numbers, left in their order, ascend. */
function longestRise(numbers: readonly number[]): number {
  const ends: number[] = [];
  for (const number of numbers) {
    const at = ends.findIndex((end) => end >= number);
    ends[at < 0 ? ends.length : at] = number;
  }
  return ends.length;
}

describe('the frames a take will want', () => {
  it('are all it shows, in the order in which they come, and none of what is cut out', () => {
    fc.assert(
      fc.property(randomTake, randomTable, (take, frames) => {
        const { toNew, toRecorded, seconds, cuts } = cutClock(take);
        const { stageAt } = stageReader(take, frames);
        // Every few milliseconds, and closer where one motion follows another.
        const edges = [...motionsOf(take), ...cuts].flatMap(({ from, to }) => [from, to]);
        const close = edges.flatMap((edge) => Array.from({ length: 21 }, (_, i) => toNew(edge) + (i - 10) * 0.0002 + 0.00001));
        const even = Array.from({ length: Math.ceil(seconds / 0.004) }, (_, i) => i * 0.004 + 0.00137);
        const instants = [...even, ...close].filter((t) => t >= 0 && t < seconds).sort((a, b) => a - b);
        const shown = new Set(instants.map((heard) => stageAt(toRecorded(heard)).frame));
        const wanted = wantedFrames(take, cuts, frames, 0, 1e5);
        const places = [...shown].map((frame) => wanted.indexOf(frame));
        expect(places).not.toContain(-1);
        // What is there for less than that, as a motion ends, may be missed or be seen later only: one frame an edge.
        const missed = motionsOf(take).length + 2 * cuts.length;
        expect(longestRise(places)).toBeGreaterThanOrEqual(places.length - missed);
        expect(wanted.length - shown.size).toBeLessThanOrEqual(missed);
      }),
      { numRuns: 100 },
    );
  });

  it('are no more than asked for, from the instant asked on', () => {
    const take = takeOf([
      { t: 1, kind: 'run', frame: 0, rate: 1 },
      { t: 2, kind: 'stop', frame: 30 },
    ]);
    expect(wantedFrames(take, [], table, 1.5, 3)).toEqual([15, 16, 17]);
    expect(wantedFrames(take, [{ from: 1.6, to: 3 }], table, 1.5, 90)).toEqual([15, 16, 17, 18, 30]);
  });
});
