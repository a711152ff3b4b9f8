import { describe, expect, it } from 'vitest';
import { ruleSheets, scoreBout, type TimedBout, type TimedEvent } from '../scoring/index.ts';
import { ownHarms, unexplained, type HarmBout, type HarmEvent, type HarmNote } from './ownHarm.ts';

/** Knee shield (lean −10), passed at 30 s into side control (−55), back to half guard at 50 s (−20). */
const timed = (events: TimedEvent[] = []): TimedBout => ({
  lengthSeconds: 60,
  clockSeconds: 60,
  spans: [
    { position: 'knee-shield', holder: 'partner', from: 0, to: 30 },
    { position: 'side-control', holder: 'partner', from: 30, to: 50 },
    { position: 'half-guard', holder: 'partner', from: 50, to: 60 },
  ],
  events,
});
const bout = (events: TimedEvent[] = [], sheet: keyof typeof ruleSheets = 'points-jacket'): HarmBout => ({
  timed: timed(events),
  score: scoreBout(timed(events), ruleSheets[sheet]),
  worth: ruleSheets[sheet].points,
});
const note = (id: string, atSeconds: number, more: Partial<HarmNote> = {}): HarmNote => ({
  id,
  kind: 'mistake',
  athlete: 'client',
  severity: 2,
  causes: [],
  atSeconds,
  endSeconds: atSeconds,
  ...more,
});
const harmOf = (notes: HarmNote[], of: HarmBout | null = bout()) =>
  Object.fromEntries([...ownHarms(notes, of)].map(([id, { harm }]) => [id, harm]));

describe('the own harm of a note', () => {
  it('is what was conceded within six seconds, and half a hundredth of the fall of the lean', () => {
    const harm = ownHarms([note('a', 27)], bout()).get('a')!;
    expect(harm).toMatchObject({ points: 3, near: 0, leanDrop: 45, finish: false });
    // 0.15 × 3 + 0.5 × 45 ÷ 100.
    expect(harm.harm).toBeCloseTo(0.675, 12);
  });

  it('does not reach over a tap: neither what is conceded in the next fall nor the lean before it counts', () => {
    const round: TimedBout = {
      lengthSeconds: 60,
      spans: [
        { position: 'side-control', holder: 'partner', from: 0, to: 20 },
        { position: 'standing', holder: null, from: 20, to: 23 },
        { position: 'mount', holder: 'partner', from: 23, to: 60 },
      ],
      events: [{ kind: 'finish', athlete: 'partner', technique: 'choke', at: 20 }],
      afterFinish: 'restarts',
    };
    const score = scoreBout(round, ruleSheets['points-jacket']);
    const of = { timed: round, score, worth: ruleSheets['points-jacket'].points };
    expect(ownHarms([note('a', 18)], of).get('a')).toMatchObject({ finish: true, points: 0, leanDrop: 0, harm: 1 });
    // Standing 0 to −80; the pin before the tap would have hidden half of it.
    expect(ownHarms([note('b', 21)], of).get('b')).toMatchObject({ finish: false, points: 6, leanDrop: 80 });
    expect(unexplained([note('a', 18)], of)).toEqual([
      { at: 23, points: 2, finish: false },
      { at: 23, points: 4, finish: false },
    ]);
  });

  it('looks six seconds ahead and no further', () => {
    expect(harmOf([note('a', 23.9)])).toEqual({ a: 0 });
    expect(harmOf([note('a', 24)])['a']).toBeCloseTo(0.45, 12);
  });

  it('counts what is conceded once, for the last note before it', () => {
    const harms = ownHarms([note('a', 25), note('b', 28)], bout());
    expect([harms.get('a')!.points, harms.get('b')!.points]).toEqual([0, 3]);
  });

  it('ends where something it led to begins, which carries what follows', () => {
    const harms = harmOf([note('a', 27), note('b', 29, { causes: ['a'] })]);
    expect(harms['a']).toBe(0);
    expect(harms['b']).toBeCloseTo(0.675, 12);
  });

  it('of what is conceded is carried by the event itself, once it is linked as what a note led to', () => {
    const passed: HarmEvent = { id: 'passed', causes: ['a'], atSeconds: 30, isFinish: false };
    const tap: TimedEvent = { kind: 'finish', athlete: 'partner', technique: 'armlock', at: 45 };
    const tapped: HarmEvent = { id: 'tapped', causes: ['a'], atSeconds: 45, isFinish: true };
    const harms = ownHarms([note('a', 27), note('b', 29), note('c', 44)], bout([tap]), [passed, tapped]);
    expect(harms.get('passed')).toMatchObject({ points: 3, harm: expect.closeTo(0.45, 12) });
    expect(harms.get('tapped')).toMatchObject({ finish: true, harm: 1 });
    expect(['a', 'b', 'c'].map((id) => [harms.get(id)!.points, harms.get(id)!.finish])).toEqual(Array(3).fill([0, false]));
    // What only led to something leaves its harm where it was.
    const cause = ownHarms([note('a', 27), note('b', 33, { causes: ['passed'] })], bout(), [{ ...passed, causes: [] }]);
    expect([cause.get('a')!.points, cause.get('passed')!.points]).toEqual([3, 0]);
  });

  it('is one and more for a finish', () => {
    const finish: TimedEvent = { kind: 'finish', athlete: 'partner', technique: 'armlock', at: 45 };
    expect(harmOf([note('a', 44)], bout([finish]))['a']).toBeCloseTo(1, 12);
  });

  it('takes half of what a missed chance forwent', () => {
    // The client reaches mount and holds it for two of three seconds: refused, worth 4.
    const spans = [
      { position: 'side-control', holder: 'client', from: 0, to: 20 },
      { position: 'mount', holder: 'client', from: 20, to: 22 },
      { position: 'half-guard', holder: 'partner', from: 22, to: 40 },
    ] as const;
    const short: TimedBout = { lengthSeconds: 40, clockSeconds: 40, spans, events: [] };
    const of = { timed: short, score: scoreBout(short, ruleSheets['points-jacket']), worth: ruleSheets['points-jacket'].points };
    const harm = ownHarms([note('a', 19, { kind: 'missed-chance' })], of).get('a')!;
    expect(harm).toMatchObject({ forgone: 4, leanDrop: 75 });
    expect(harm.harm).toBeCloseTo(0.5 * 0.15 * 4 + 0.5 * 0.75, 12);
  });

  it('is nothing for praise, a question, a caution or the partner’s own mistakes', () => {
    const others = [note('a', 28, { kind: 'good' }), note('b', 28, { kind: 'question' }), note('c', 28, { athlete: 'partner' })];
    expect(harmOf(others)).toEqual({ a: 0, b: 0, c: 0 });
  });

  it('comes from the fall of the lean alone on a sheet without points', () => {
    expect(harmOf([note('a', 27)], bout([], 'open-mat'))['a']).toBeCloseTo(0.225, 12);
  });

  it('is what the coach called it where no position is coded', () => {
    const harms = ownHarms(
      [1, 2, 3].map((severity) => note(`s${severity}`, 5, { severity })),
      null,
    );
    expect([...harms.values()].map(({ harm, called }) => [harm, called])).toEqual([
      [0.05, true],
      [0.15, true],
      [0.3, true],
    ]);
  });

  it('of a range looks on from its end', () => {
    expect(harmOf([note('a', 10, { endSeconds: 25 })])['a']).toBeGreaterThan(0.4);
  });
});

it('points conceded with no note before them are told', () => {
  expect(unexplained([], bout())).toEqual([{ at: 30, points: 3, finish: false }]);
  expect(unexplained([note('a', 27)], bout())).toEqual([]);
  const passed: HarmEvent = { id: 'passed', causes: ['a'], atSeconds: 30, isFinish: false };
  expect(unexplained([note('a', 2)], bout(), [passed])).toEqual([]);
});
