import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyParts, bodySides, clashOf, isPaired, loadsOf, partsInWords, type Part } from '../care/index.ts';
import { workDates, workEnd, workState, type ClientDays, type DatedWork, type Flag } from './workDates.ts';

const day = (n: number): string => new Date(Date.UTC(2026, 8, 1) + n * 86_400_000).toISOString().slice(0, 10);
const client: ClientDays = { trainingDays: [], breaks: [], flags: [] };
const work: DatedWork = {
  ...{ fromOn: day(0), weeks: 4, timesPerWeek: 2, loads: [{ part: 'knee', side: null }], done: [], endedOn: null },
};
const flag = (part: Flag['part'], from: number, until: number | null, side: Flag['side'] = null): Flag => ({
  ...{ part, side, fromOn: day(from), untilOn: until === null ? null : day(until) },
});

describe('parts of the body', () => {
  it('are read out of free words, with their side', () => {
    expect(partsInWords('Left knee repaired')).toEqual([{ part: 'knee', side: 'left' }]);
    expect(partsInWords('Stiff neck: no stacking, no cranks')).toEqual([{ part: 'neck', side: null }]);
    expect(partsInWords('both shoulders, left and right, and the lower back').map(({ part, side }) => [part, side])).toEqual([
      ['shoulder', null],
      ['back', null],
    ]);
    expect(partsInWords('a cold')).toEqual([]);
  });

  it('clash where they are the same and no contrary side is named; a head is loaded by everything', () => {
    const left: Part = { part: 'knee', side: 'left' };
    expect(clashOf([left], [{ part: 'knee', side: 'right' }])).toEqual([]);
    expect(clashOf([left], [{ part: 'knee', side: null }])).toHaveLength(1);
    expect(clashOf([{ part: 'knee', side: null }], [left])).toHaveLength(1);
    expect(clashOf([left], [{ part: 'hip', side: 'left' }])).toEqual([]);
    expect(clashOf([], [{ part: 'head', side: null }])).toHaveLength(1);
  });

  it('are loaded by where a round starts and by its caution', () => {
    const parts = (...of: Parameters<typeof loadsOf>) => loadsOf(...of).map(({ part }) => part);
    expect(parts({ position: 'mount', holds: false }, 'general')).toEqual(['jaw', 'neck', 'ribs', 'belly', 'back']);
    expect(parts({ position: 'mount', holds: true }, 'joint')).toEqual(['shoulder', 'elbow', 'hand', 'hip', 'knee']);
    expect(loadsOf(null, 'general')).toEqual([]);
  });
});

describe('work and pain', () => {
  it('stops at once, stays stopped until the two have spoken, and its weeks wait as long', () => {
    const hurt = { ...client, flags: [flag('knee', 3, null)] };
    expect(workState(work, hurt, day(3))).toMatchObject({ state: 'stopped', stoppedBy: [{ part: 'knee' }] });
    expect([workDates(work, hurt, day(3)), workEnd(work, hurt)]).toEqual([[], null]);
    const spoken = { ...client, flags: [flag('knee', 3, 10)] };
    expect(workState(work, spoken, day(10)).state).toBe('missed');
    expect(workEnd(work, spoken)).toBe(day(28 + 7));
    expect(workState({ ...work, loads: [{ part: 'neck', side: null }] }, hurt, day(3)).state).toBe('going');
  });

  it('says where it stands: ahead, going, missed, paused, ended', () => {
    expect(workState({ ...work, fromOn: day(5) }, client, day(3)).state).toBe('ahead');
    expect(workState({ ...work, done: [day(0)] }, client, day(5)).state).toBe('going');
    expect(workState({ ...work, done: [day(0)] }, client, day(12)).state).toBe('missed');
    expect(workState(work, { ...client, breaks: [{ fromOn: day(2), untilOn: day(6) }] }, day(4)).state).toBe('paused');
    expect(workState(work, client, day(28)).state).toBe('ended');
    expect(workState({ ...work, endedOn: day(9) }, client, day(9)).state).toBe('ended');
  });

  const part = fc
    .tuple(fc.constantFrom(...bodyParts), fc.constantFrom(null, ...bodySides))
    .map(([one, side]): Part => ({ part: one, side: isPaired(one) ? side : null }));
  const span = fc.tuple(fc.nat(40), fc.option(fc.nat(20)));
  const anyFlag = fc
    .tuple(part, span)
    .map(([one, [from, long]]): Flag => ({ ...one, fromOn: day(from), untilOn: long === null ? null : day(from + long) }));

  it('never meet: no date of work lies on a day on which a part that it loads is flagged, whatever was done and whenever it is asked', () => {
    fc.assert(
      fc.property(
        fc.array(part, { maxLength: 5 }),
        fc.array(anyFlag, { maxLength: 5 }),
        fc.array(fc.integer({ min: 1, max: 7 }), { maxLength: 4 }),
        fc.array(fc.nat(40).map(day), { maxLength: 5 }),
        fc.tuple(fc.nat(30), fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 7 }), fc.nat(60)),
        (loads, flags, trainingDays, done, [from, weeks, timesPerWeek, today]) => {
          const dates = workDates(
            { fromOn: day(from), weeks, timesPerWeek, loads, done, endedOn: null },
            { trainingDays, breaks: [], flags },
            day(today),
          );
          for (const date of dates) {
            const bad = flags.filter(
              (one) =>
                one.fromOn <= date &&
                (one.untilOn === null || date < one.untilOn) &&
                (one.part === 'head' ||
                  loads.some((load) => load.part === one.part && (!load.side || !one.side || load.side === one.side))),
            );
            expect(bad).toEqual([]);
          }
        },
      ),
      { numRuns: 400 },
    );
  });
});
