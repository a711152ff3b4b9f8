import { describe, expect, it } from 'vitest';
import type { TimedEvent } from './boutEvent.ts';
import { fisherExact } from '../statistics/index.ts';
import { happeningsOf } from './happenings.ts';
import { findPatterns } from './patterns.ts';
import { boutOf, type Leg } from './testing/boutOf.ts';

/** A round in which the partner tries a sweep from half guard and the client passes seven seconds later, or does not. */
const round = (passes: boolean): Leg[] =>
  passes
    ? [
        ['half-guard', 'client', 17],
        ['side-control', 'client', 20],
        ['standing', null, 30],
      ]
    : [
        ['half-guard', 'client', 37],
        ['standing', null, 30],
      ];
const tryAt = (at: number, outcome: 'failed' | 'success' = 'failed'): TimedEvent => ({
  kind: 'attempt',
  athlete: 'partner',
  technique: 'sweep',
  outcome,
  at,
});

describe('what was done', () => {
  it('is read off positions and events, an attempt that worked once', () => {
    const bout = boutOf(
      [
        ['half-guard', 'client', 10],
        ['mount', 'partner', 10],
      ],
      [tryAt(9.5, 'success'), tryAt(4)],
    );
    expect(happeningsOf(bout).map(({ athlete, kind, position }) => `${athlete} ${kind} ${position}`)).toEqual([
      'partner attempt sweep half-guard',
      'partner sweep half-guard',
      'partner mount half-guard',
    ]);
  });
});

describe('patterns', () => {
  const five = [true, true, true, true, false].map((passes) => happeningsOf(boutOf(round(passes), [tryAt(10)])));

  it('are found with support, confidence and the instances, in a sentence', () => {
    const [first] = findPatterns(five);
    expect(first).toMatchObject({
      first: { athlete: 'partner', kind: 'attempt sweep', position: 'half-guard' },
      then: { athlete: 'client', kind: 'pass' },
      support: 4,
      times: 5,
      confidence: 0.8,
      sentence: '4 of 5 times the partner tried a sweep from half guard, the client passed within 7 s',
    });
    expect(first!.instances).toEqual([0, 1, 2, 3].map((bout) => ({ bout, at: 10, thenAt: 17 })));
  });

  it('are measured against everything else that was done', () => {
    // Five attempts, four passes, and five breaks from pin or guard (escapes): 4 of 5 against 0 of the others.
    const [first] = findPatterns(five);
    const others = five.flat().length - 5;
    expect(first!.p).toBeCloseTo(fisherExact({ yes: 4, no: 1, otherYes: 0, otherNo: others }), 12);
    expect(first!.lift).toBeCloseTo(0.8 / (4 / five.flat().length), 9);
  });

  it('need three instances within fifteen seconds of the bout clock', () => {
    expect(findPatterns(five.slice(0, 2))).toEqual([]);
    const late = Array.from({ length: 5 }, () =>
      happeningsOf(
        boutOf(
          [
            ['half-guard', 'client', 40],
            ['side-control', 'client', 9],
          ],
          [tryAt(10)],
        ),
      ),
    );
    expect(findPatterns(late).filter(({ then }) => then.kind === 'pass')).toEqual([]);
    // The same twenty-nine seconds with a stoppage of twenty in between are nine.
    const stopped = Array.from({ length: 5 }, () =>
      happeningsOf(
        boutOf(
          [
            ['half-guard', 'client', 39],
            ['side-control', 'client', 9],
          ],
          [tryAt(10), { kind: 'stoppage', at: 12 }, { kind: 'restart', at: 32 }],
        ),
      ),
    );
    expect(findPatterns(stopped)[0]).toMatchObject({ support: 5, then: { kind: 'pass' } });
  });

  it('do not call the success of an attempt a pattern, and are shown best evidence first', () => {
    const own = Array.from({ length: 6 }, () =>
      happeningsOf(boutOf(round(true), [{ kind: 'attempt', athlete: 'client', technique: 'pass', outcome: 'failed', at: 10 }])),
    );
    const found = findPatterns(own);
    expect(found.some(({ first, then }) => first.kind === 'attempt pass' && then.kind === 'pass')).toBe(false);
    const ps = findPatterns([...five, ...own]).map(({ p }) => p);
    expect(ps).toEqual([...ps].sort((a, b) => a - b));
  });

  it('take no two readings of one change: a reversal is not followed by the escape it is', () => {
    const reversed = Array.from({ length: 4 }, () =>
      happeningsOf(
        boutOf([
          ['side-control', 'partner', 10],
          ['mount', 'client', 10],
        ]),
      ),
    );
    expect(reversed[0]!.map(({ kind }) => kind)).toEqual(['reversal', 'mount', 'escape']);
    expect(findPatterns(reversed)).toEqual([]);
  });

  it('take fifteen seconds as fifteen, however the frames’ times were rounded', () => {
    const after = (seconds: number) =>
      Array.from({ length: 3 }, () =>
        happeningsOf(
          boutOf(
            [
              ['half-guard', 'client', 10 + seconds],
              ['side-control', 'client', 9],
            ],
            [tryAt(10)],
          ),
        ),
      );
    const follows = (seconds: number): number => findPatterns(after(seconds)).filter(({ then }) => then.kind === 'pass').length;
    expect([15, 15.0003, 14.9997, 15.001].map(follows)).toEqual([1, 1, 1, 0]);
  });

  it('never lead over a tap into the next fall', () => {
    const taps = Array.from({ length: 3 }, () =>
      happeningsOf({
        ...boutOf(
          [
            ['mount', 'client', 10],
            ['standing', null, 5],
            ['side-control', 'partner', 10],
          ],
          [{ kind: 'finish', athlete: 'client', technique: 'choke', at: 10 }],
        ),
        afterFinish: 'restarts',
      }),
    );
    expect(taps[0]!.map(({ kind, fall }) => [kind, fall])).toEqual([
      ['finish', 0],
      ['takedown', 1],
    ]);
    expect(findPatterns(taps)).toEqual([]);
  });
});
