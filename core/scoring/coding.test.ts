import { describe, expect, it } from 'vitest';
import { boutClock, clockShown } from './boutClock.ts';
import { coderAgreement } from './coderAgreement.ts';
import { coderCheck } from './coderCheck.ts';
import type { TimedEvent } from './boutEvent.ts';
import { leanAt, leanOverTime } from './leanOverTime.ts';
import { boutOf, type Leg } from './testing/boutOf.ts';
import { positionValues } from './valuePreset.ts';

const kinds = (legs: Leg[], events: TimedEvent[] = []) => coderCheck(boutOf(legs, events)).map(({ kind, at }) => [kind, at]);

describe('the coder’s check', () => {
  it('finds nothing in a plain coding, also with a throw straight into mount', () => {
    expect(
      kinds([
        ['standing', null, 10],
        ['mount', 'client', 10],
        ['half-guard', 'client', 5],
      ]),
    ).toEqual([]);
  });

  it('finds what cannot be: standing up from mount in one frame, a pin that is the other’s the next moment', () => {
    expect(
      kinds([
        ['mount', 'client', 10],
        ['standing', null, 5],
      ]),
    ).toEqual([['impossible', 10]]);
    expect(
      kinds([
        ['side-control', 'client', 10],
        ['mount', 'partner', 5],
      ]),
    ).toEqual([['impossible', 10]]);
    // The referee may well stand them up.
    expect(
      kinds(
        [
          ['mount', 'client', 10],
          ['standing', null, 5],
        ],
        [
          { kind: 'stoppage', at: 10 },
          { kind: 'restart', at: 12 },
        ],
      ),
    ).toEqual([]);
  });

  it('finds gaps, holds of less than half a second, and a finish that is not the end', () => {
    const gap = boutOf([
      ['standing', null, 10],
      ['half-guard', 'client', 10],
    ]);
    const spans = [gap.spans[0]!, { ...gap.spans[1]!, from: 12 }];
    expect(coderCheck({ ...gap, spans })).toMatchObject([{ kind: 'gap', at: 10, words: 'Nothing is coded from 0:10 to 0:12.' }]);
    expect(
      kinds([
        ['standing', null, 10],
        ['half-guard', 'client', 0.4],
        ['closed-guard', 'client', 9],
      ]),
    ).toEqual([['short', 10]]);
    const finish: TimedEvent = { kind: 'finish', athlete: 'client', technique: 'choke', at: 15 };
    expect(
      kinds(
        [
          ['half-guard', 'client', 20],
          ['standing', null, 5],
        ],
        [finish],
      ),
    ).toEqual([['after-finish', 15]]);
    expect(kinds([['half-guard', 'client', 17]], [finish])).toEqual([]);
    // Also where nothing is coded after it, and the last position goes on all the same.
    expect(kinds([['half-guard', 'client', 20]], [finish])).toEqual([['after-finish', 15]]);
    expect(kinds([['half-guard', 'client', 20]], [{ kind: 'stoppage', at: 5 }])).toEqual([['no-restart', 5]]);
  });
});

describe('agreement of two coders', () => {
  const half = (seconds: number): Leg => ['half-guard', 'client', seconds];
  const side = (seconds: number): Leg => ['side-control', 'client', seconds];
  it('is by time, and kappa takes chance away', () => {
    // The often-printed worked example of Cohen’s kappa (20, 5, 10, 15): 0.7 observed, 0.5 by chance, 0.4.
    const one = boutOf([half(20), half(5), side(10), side(15)]).spans;
    const other = boutOf([half(20), side(5), half(10), side(15)]).spans;
    const agreement = coderAgreement(one, other);
    expect(agreement.seconds).toBe(50);
    expect(agreement.agreed).toBeCloseTo(0.7, 12);
    expect(agreement.kappa).toBeCloseTo(0.4, 12);
  });

  it('is whole with oneself, and not told where there is only one thing to say or nothing shared', () => {
    const coded = boutOf([half(20), side(15)]).spans;
    expect(coderAgreement(coded, coded)).toMatchObject({ agreed: 1, kappa: 1 });
    expect(coderAgreement(boutOf([half(9)]).spans, boutOf([half(9)]).spans).kappa).toBeNull();
    expect(coderAgreement(coded, [])).toEqual({ seconds: 0, agreed: 0, kappa: null });
  });

  it('sees the holder: the same position the other way round is no agreement', () => {
    expect(coderAgreement(boutOf([half(10)]).spans, boutOf([['half-guard', 'partner', 10]]).spans).agreed).toBe(0);
  });
});

describe('lean over time', () => {
  const bout = boutOf([
    ['standing', null, 1.5],
    ['half-guard', 'partner', 3],
  ]);
  it('has a row for every step and every change, and ends where the coding does', () => {
    expect(leanOverTime(bout, 2)).toEqual([
      { seconds: 0, lean: 0 },
      { seconds: 1.5, lean: -20 },
      { seconds: 2, lean: -20 },
      { seconds: 4, lean: -20 },
      { seconds: 4.5, lean: -20 },
    ]);
    expect(leanAt(bout, 9)).toBeNull();
  });

  it('follows the preset and the coach’s own values', () => {
    expect(leanAt(bout, 2, positionValues('top-first'))).toBe(-35);
    expect(leanAt(bout, 2, positionValues('guard-first'))).toBe(-5);
    expect(leanAt(bout, 2, positionValues('top-first', { 'half-guard': 90 }))).toBe(-90);
    expect(leanAt(boutOf([['mount', 'client', 5]]), 2, positionValues('top-first'))).toBe(80);
  });
});

describe('the bout clock', () => {
  const stops: TimedEvent[] = [
    { kind: 'stoppage', at: 10 },
    { kind: 'restart', at: 25 },
  ];
  it('stands still in a stoppage, runs up where no length is set, and down from one that is', () => {
    const clock = boutClock({ lengthSeconds: 60, events: stops });
    expect(clock.total).toBe(45);
    expect([0, 10, 18, 25, 40].map((seconds) => clockShown(clock, seconds, null))).toEqual([
      { seconds: 0, stopped: false },
      { seconds: 10, stopped: true },
      { seconds: 10, stopped: true },
      { seconds: 10, stopped: false },
      { seconds: 25, stopped: false },
    ]);
    expect(clockShown(clock, 40, 300)).toEqual({ seconds: 275, stopped: false });
    expect(clockShown(clock, -3, null)).toEqual({ seconds: -3, stopped: false });
  });

  it('finds the footage’s second again', () => {
    const clock = boutClock({ lengthSeconds: 60, events: stops });
    for (const seconds of [0, 3.5, 10, 26, 59]) expect(clock.footageAt(clock.at(seconds))).toBeCloseTo(seconds, 9);
  });

  it('is not put out by a restart without a stoppage, or a stoppage without an end', () => {
    expect(boutClock({ lengthSeconds: 60, events: [{ kind: 'restart', at: 5 }] }).total).toBe(60);
    expect(
      boutClock({
        lengthSeconds: 60,
        events: [
          { kind: 'stoppage', at: 5 },
          { kind: 'stoppage', at: 9 },
        ],
      }).total,
    ).toBe(5);
  });
});
