import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { secondsOfFrame } from '../footage/index.ts';
import {
  deskLog,
  inOrder,
  joinedParts,
  levelOf,
  runSlack,
  silencesOf,
  speechOf,
  stageReader,
  strokeTimes,
  type DeskLook,
  type TakeComparison,
  type TakeDrawing,
  type TakeEvent,
} from './index.ts';
import { randomComparison, randomTable } from './testing/randomTake.ts';

const table = { times: Array.from({ length: 300 }, (_, i) => i / 30), endSeconds: 10 };
const rest: DeskLook = {
  frame: 30,
  rate: 0,
  view: { zoom: 1, x: 0, y: 0 },
  mirrored: false,
  drawings: [],
  note: null,
  compare: null,
  coach: null,
};
const drawing = (id: string): TakeDrawing => ({
  ...{ id, tool: 'ring', colour: 'client', weight: 'plain', words: '', points: [], keys: [], fromFrame: 0, toFrame: 300 },
});

describe('the log of a desk', () => {
  const look = fc.record({
    frame: fc.nat(999),
    rate: fc.constantFrom(0, 0, 1, 0.25, -0.5),
    view: fc.record({ zoom: fc.constantFrom(1, 2), x: fc.constantFrom(0, 0.2), y: fc.constant(0) }),
    mirrored: fc.boolean(),
    drawings: fc.subarray(['a', 'b', 'c']).map((ids) => ids.map(drawing)),
    note: fc.option(fc.record({ id: fc.constantFrom('n', 'm'), words: fc.constantFrom('', 'The hand.') })),
    compare: fc.option(randomComparison) as fc.Arbitrary<TakeComparison | null>,
    coach: fc.constant(null),
  });

  it('read back shows at every instant what was looked at then, whatever was done in between', () => {
    fc.assert(
      fc.property(randomTable, fc.array(look, { minLength: 1, maxLength: 20 }), (times, given) => {
        const looks = given.map((one) => ({ ...one, frame: one.frame % times.times.length }));
        const log = deskLog(times);
        // Further apart than a movement of the hand.
        const events = looks.flatMap((now, i) => log.look(i / 2, now));
        const { stageAt } = stageReader({ events }, times);
        looks.forEach((now, i) => {
          const { strokes, compare, ...stage } = stageAt(i / 2);
          const off = Math.abs(secondsOfFrame(times, stage.frame) - secondsOfFrame(times, now.frame));
          expect(off).toBeLessThanOrEqual(now.rate === 0 ? 0 : runSlack + 1e-9);
          const apart = Math.abs((compare?.offset ?? 0) - (now.compare?.offset ?? 0));
          expect(apart).toBeLessThanOrEqual(now.compare?.rate ? runSlack + 1e-9 : 1e-6);
          expect({ ...stage, frame: now.frame, compare: compare && { ...compare, offset: now.compare?.offset } }).toEqual(now);
          expect(strokes).toEqual([]);
        });
      }),
      { numRuns: 300 },
    );
  });

  it('writes down a run once, though it is looked at with every picture, and again where the footage jumps', () => {
    const log = deskLog(table);
    const events = log.look(0, rest);
    for (let t = 1; t < 4; t += 0.02) events.push(...log.look(t, { ...rest, rate: 1, frame: 30 + Math.floor((t - 1) * 30) }));
    events.push(...log.look(4, { ...rest, rate: 1, frame: 30 }));
    expect(events.map(({ t, kind }) => [t, kind])).toEqual([
      [0, 'stage'],
      [1, 'run'],
      [4, 'run'],
    ]);
  });

  it('writes down once that the tray plays over and over, and again where it was stepped', () => {
    const log = deskLog(table);
    const item = { footageId: 'f', anchorFrame: 9, range: null, mirrored: false };
    const tray = { layout: 'side', opacity: 0.5, items: [item], offset: 0, rate: 0, span: { from: 0, to: 1 } } as const;
    const events = log.look(0, rest);
    events.push(...log.look(1, { ...rest, compare: tray }));
    // At half speed for 7 s: three times and a half from 0 to 1.
    const offsetAt = (t: number): number => ((t - 2) / 2) % 1;
    for (let t = 2; t < 9; t += 0.02) events.push(...log.look(t, { ...rest, compare: { ...tray, offset: offsetAt(t), rate: 0.5 } }));
    events.push(...log.look(9.5, { ...rest, compare: { ...tray, offset: 0.2 } }), ...log.look(10, rest));
    expect(events.map(({ t, kind }) => [t, kind])).toEqual([[0, 'stage'], ...[1, 2, 9.5, 10].map((t) => [t, 'compare'])]);
    const { stageAt } = stageReader({ events }, table);
    const offsets = [1.5, 3, 3.9, 5, 8.5, 9.6].map((t) => stageAt(t).compare!.offset);
    expect(offsets.map((offset) => Number(offset.toFixed(6)))).toEqual([0, 0.5, 0.95, 0.5, 0.25, 0.2]);
    expect(stageAt(10).compare).toBeNull();
  });

  it('has a stroke grow while it was drawn and then be the drawing it became', () => {
    const log = deskLog(table);
    const points = [[0.1, 0.1, 0] as const, [0.3, 0.1, 1000] as const];
    const events = inOrder([
      ...log.look(0, rest),
      ...log.stroke(2, 3, { id: 'd', tool: 'arrow', colour: 'client', weight: 'plain', words: '', points }),
      ...log.look(3, { ...rest, drawings: [drawing('d')] }),
    ]);
    const { stageAt } = stageReader({ events }, table);
    expect(stageAt(2.5).strokes[0]).toMatchObject({ points: [points[0]], reach: { x: expect.closeTo(0.2), y: expect.closeTo(0.1) } });
    expect([stageAt(1.9), stageAt(3)].map(({ strokes, drawings }) => [strokes.length, drawings.length])).toEqual([
      [0, 0],
      [0, 1],
    ]);
  });
});

describe('the times of a stroke', () => {
  it('are those at which the pen was at what is left of its line, also where it crosses itself', () => {
    const seen = [0, 1, 2, 1, 0].map((x, i) => ({ x: x / 10, y: 0.5, ms: i * 100 }));
    const left = [
      { x: 0, y: 0.5 },
      { x: 0.2, y: 0.5, pressure: 0.4 },
      { x: 0, y: 0.500_004 },
    ];
    expect(strokeTimes(left, seen)).toEqual([
      [0, 0.5, 0],
      [0.2, 0.5, 200, 0.4],
      [0, 0.500_004, 400],
    ]);
  });

  it('never go back, whatever is left of it, and what was not seen came at the end', () => {
    const spots = fc.array(fc.record({ x: fc.nat(4), y: fc.nat(4) }), { minLength: 1, maxLength: 30 });
    fc.assert(
      fc.property(spots, fc.array(fc.boolean(), { maxLength: 30 }), (line, keep) => {
        const seen = line.map((spot, i) => ({ ...spot, ms: i * 16 }));
        const left = line.filter((_, i) => keep[i]);
        const times = strokeTimes(left, seen).map(([, , ms]) => ms);
        expect(times).toEqual([...times].sort((a, b) => a - b));
      }),
    );
    expect(strokeTimes([{ x: 9, y: 9 }], [{ x: 0, y: 0, ms: 70 }])).toEqual([[9, 9, 70]]);
  });
});

describe('parts of a take', () => {
  it('are joined in the order of time, and what was logged after the last sound of a part happened at its end', () => {
    const whole = (t: number): TakeEvent => deskLog(table).look(t, rest)[0]!;
    const shows = (...at: number[]): TakeEvent[] => at.map((t) => ({ t, kind: 'show', frame: Math.round(t * 10) }));
    const joined = joinedParts([
      { seconds: 2, events: [whole(0), ...shows(1.5, 1, 2.6)] },
      { seconds: 3, events: [whole(0), ...shows(1)] },
    ]);
    expect(joined.map(({ t, kind }) => [t, kind])).toEqual([
      [0, 'stage'],
      [1, 'show'],
      [1.5, 'show'],
      [2, 'show'],
      [2, 'stage'],
      [3, 'show'],
    ]);
  });
});

describe('silence', () => {
  it('is what is softer than −38 dB for a third of a second, and speech is the rest', () => {
    const levels = [...Array<number>(100).fill(0.2), ...Array<number>(20).fill(0.001), ...Array<number>(50).fill(0.1)];
    const silences = silencesOf([...levels, ...Array<number>(60).fill(0.012)]);
    expect(silences).toEqual([{ from: expect.closeTo(1.7), to: expect.closeTo(2.3) }]);
    expect(speechOf(silences, 3)).toEqual([
      { from: 0, to: silences[0]!.from },
      { from: silences[0]!.to, to: 3 },
    ]);
    expect(speechOf([{ from: 0, to: 3 }], 3)).toEqual([]);
  });

  it('is told by the root mean square of a window', () => {
    expect(levelOf([0.5, -0.5])).toBeCloseTo(0.5);
    expect(levelOf([])).toBe(0);
  });
});
