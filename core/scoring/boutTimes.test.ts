import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { FrameTable } from '../footage/index.ts';
import { boutTimes, boutUsage, scoredBout, type FramedBout } from './boutTimes.ts';
import { clockShown } from './boutClock.ts';
import { ruleSheets } from './ruleSheet.ts';

/** Frames at uneven times, 2 to 200 ms apart. */
const tables = fc.array(fc.double({ min: 0.002, max: 0.2, noNaN: true }), { minLength: 20, maxLength: 200 }).map((steps): FrameTable => {
  const times = steps.map((_, i) => steps.slice(0, i).reduce((sum, step) => sum + step, 0.37));
  return { times, endSeconds: times.at(-1)! + 0.04 };
});
const bout = (fields: Partial<FramedBout> = {}): FramedBout => ({
  fromFrame: 10,
  toFrame: 90,
  lengthSeconds: 300,
  spans: [],
  events: [],
  ...fields,
});
const even: FrameTable = { times: Array.from({ length: 300 }, (_, i) => i / 30), endSeconds: 10 };

describe('the times of a bout', () => {
  it('lead from every frame to a second and back to just that frame', () => {
    fc.assert(
      fc.property(tables, fc.nat(19), (table, fromFrame) => {
        const { since, frameAt } = boutTimes(bout({ fromFrame, toFrame: table.times.length }), table);
        for (let frame = 0; frame < table.times.length; frame++) expect(frameAt(since(frame))).toBe(frame);
      }),
    );
  });

  it('run down from what the bout says, else from what the client said at intake, else from the sheet: five minutes said, 4:16 left at 0:44', () => {
    const sheet = { ...ruleSheets['points-jacket'], boutSeconds: 600 };
    const leftAt44 = (lengthSeconds: number | null, saidMinutes: number | null) => {
      const { timed, clock } = boutTimes(bout({ lengthSeconds }), even, boutUsage({ lengthMinutes: saidMinutes, kind: 'match' }, sheet));
      return clockShown({ ...clock, at: () => 44 }, 44, timed.clockSeconds).seconds;
    };
    expect([leftAt44(null, 5), leftAt44(360, 5), leftAt44(null, null)]).toEqual([256, 316, 556]);
    expect(boutUsage({ lengthMinutes: null, kind: 'match' }, ruleSheets['points-jacket']).clockSeconds).toBeNull();
  });

  it('of an event survive the way through the bout clock, stoppages and all', () => {
    const events = [
      { kind: 'stoppage', atFrame: 40 },
      { kind: 'restart', atFrame: 100 },
      { kind: 'penalty', athlete: 'client', atFrame: 150 },
    ] as const;
    const { clock, timed, frameAt } = boutTimes(bout({ toFrame: 300, events }), even);
    const penalty = timed.events.find(({ kind }) => kind === 'penalty')!;
    expect(frameAt(clock.footageAt(clock.at(penalty.at)))).toBe(150);
  });

  it('read what a file rounded to thousandths as the frame it was', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 290 }), (frame) => {
        const { since, frameAt } = boutTimes(bout({ toFrame: 300 }), even);
        expect(frameAt(Number(since(frame).toFixed(3)))).toBe(frame);
      }),
    );
  });

  it('end where the footage ends, for a bout that lasts to its last frame', () => {
    expect(boutTimes(bout({ toFrame: 300 }), even).timed.lengthSeconds).toBeCloseTo(10 - 10 / 30, 9);
  });
});

describe('the score of a bout', () => {
  const spans = [
    { position: 'half-guard', holder: 'client', fromFrame: 10, toFrame: 90 },
    { position: 'side-control', holder: 'client', fromFrame: 90, toFrame: 290 },
  ] as const;
  const times = boutTimes(bout({ toFrame: 290, spans }), even);
  const sheet = ruleSheets['points-jacket'];

  it('stands as computed while the coach says nothing against it', () => {
    const { result, corrected, standing } = scoredBout(times, sheet, []);
    expect([result.score.client.points, corrected, standing]).toEqual([3, null, result]);
  });

  it('is corrected on the frame on which the coach says so, and the computed one stays beside it', () => {
    const pass = scoredBout(times, sheet, []).result.awards[0]!;
    const against = {
      id: 'o',
      athlete: 'client' as const,
      action: 'pass',
      atFrame: times.frameAt(pass.at),
      points: -3,
      near: 0,
      why: 'Not held.',
    };
    const { result, corrected, standing } = scoredBout(times, sheet, [against]);
    expect([result.score.client.points, corrected?.score.client.points, standing.awards]).toEqual([3, 0, []]);
  });
});
