import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boutClock } from './boutClock.ts';
import type { TimedEvent } from './boutEvent.ts';
import { boutStats } from './boutStats.ts';
import { coderCheck } from './coderCheck.ts';
import { tapsText } from './falls.ts';
import { fallChain, happeningsOf } from './happenings.ts';
import { ruleSheets } from './ruleSheet.ts';
import { scoreBout } from './scoreBout.ts';
import { boutOf, type Leg } from './testing/boutOf.ts';
import { randomBout } from './testing/randomBout.ts';
import type { TimedBout } from './timedBout.ts';

const tap = (at: number, athlete: 'client' | 'partner' = 'partner', technique = 'choke'): TimedEvent => ({
  kind: 'finish',
  athlete,
  technique,
  at,
});
const round = (legs: Leg[], events: TimedEvent[]): TimedBout => ({ ...boutOf(legs, events), afterFinish: 'restarts' });
const sheet = ruleSheets['points-jacket'];

/** Three taps: each is followed by standing up and beginning again. */
const threeTaps = round(
  [
    ['standing', null, 10],
    ['side-control', 'partner', 10],
    ['standing', null, 10],
    ['mount', 'client', 10],
    ['standing', null, 10],
    ['back-control', 'partner', 10],
    ['standing', null, 10],
  ],
  [tap(18), tap(39, 'client', 'armlock'), tap(60)],
);

describe('falls', () => {
  it('are three in a round of three taps; the clock stands from each to the next position, without coded stops', () => {
    const { falls, winner, decidedBy } = scoreBout(threeTaps, sheet);
    expect(falls.map(({ athlete, name, from, at }) => [athlete, name, from, at])).toEqual([
      ['partner', 'choke', 0, 18],
      ['client', 'armlock', 20, 39],
      ['partner', 'choke', 40, 60],
    ]);
    expect([tapsText(falls), winner, decidedBy]).toEqual(['1 : 2 in taps', 'partner', 'finish']);
    const clock = boutClock(threeTaps);
    expect([clock.total, clock.at(18), clock.at(20), clock.at(25)]).toEqual([67, 18, 18, 23]);
  });

  it('have each a score of their own, which add up to the round’s', () => {
    const { falls, score } = scoreBout(threeTaps, sheet);
    expect(falls.map((fall) => [fall.score.client.points, fall.score.partner.points])).toEqual([
      [0, 2],
      [6, 0],
      [0, 6],
    ]);
    expect([score.client.points, score.partner.points]).toEqual([6, 8]);
  });

  it('end nothing in the bout: what comes after a tap is scored, by its own', () => {
    const again = round(
      [
        ['standing', null, 5],
        ['mount', 'client', 10],
        ['standing', null, 5],
        ['mount', 'client', 10],
      ],
      [tap(15, 'client')],
    );
    expect(scoreBout(again, sheet).awards.map(({ action, at }) => [action, at])).toEqual([
      ['takedown', 5],
      ['mount', 5],
      ['takedown', 20],
      ['mount', 20],
    ]);
    expect(scoreBout({ ...again, afterFinish: 'ends' }, sheet).awards).toHaveLength(2);
  });

  it('stand up after a tap without having escaped, and what they begin in is nobody’s action', () => {
    expect(boutStats(threeTaps, { awards: [] }).client.escapes).toBe(0);
    expect(boutStats({ ...threeTaps, afterFinish: 'ends' }, { awards: [] }).client.escapes).toBe(2);
    expect(happeningsOf(threeTaps).map(({ athlete, kind, fall }) => [athlete, kind, fall])).toEqual([
      ['partner', 'takedown', 0],
      ['partner', 'finish', 0],
      ['client', 'takedown', 1],
      ['client', 'mount', 1],
      ['client', 'finish', 1],
      ['partner', 'takedown', 2],
      ['partner', 'back-control', 2],
      ['partner', 'finish', 2],
    ]);
    const sameStart = round(
      [
        ['closed-guard', 'client', 10],
        ['side-control', 'client', 10],
        ['closed-guard', 'client', 1],
        ['side-control', 'client', 10],
      ],
      [tap(20, 'client')],
    );
    expect(scoreBout(sameStart, sheet).awards.map(({ action, at }) => [action, at])).toEqual([
      ['pass', 10],
      ['pass', 21],
    ]);
  });

  it('begin anew in the very position of the tap: its hold so far does not go on', () => {
    const held = round(
      [
        ['half-guard', 'client', 10],
        ['side-control', 'client', 2],
        ['side-control', 'client', 5],
      ],
      [tap(12, 'client')],
    );
    const { awards, falls } = scoreBout(held, sheet);
    expect(awards.map(({ action, points, near }) => [action, points, near])).toEqual([['pass', 0, 1]]);
    expect(falls).toHaveLength(1);
    expect(boutStats(held, { awards: [] }).client.longestControlSeconds).toBe(5);
  });

  it('begin where a restart says so, where one is coded', () => {
    const stopped = round(
      [
        ['mount', 'client', 10],
        ['standing', null, 30],
      ],
      [tap(9, 'client'), { kind: 'restart', at: 25 }],
    );
    expect(boutClock(stopped).total).toBe(9 + 15);
    const referee = { ...stopped, events: [tap(9, 'client'), { kind: 'stoppage', at: 9.5 }, { kind: 'restart', at: 30 }] as TimedEvent[] };
    expect(boutClock(referee).total).toBe(9 + 10);
  });

  it('know from when the attack was on: by its threat, or by the try that worked', () => {
    const legs: Leg[] = [['mount', 'client', 20]];
    const tried: TimedEvent = { kind: 'attempt', athlete: 'client', technique: 'finish', outcome: 'success', at: 12 };
    expect(scoreBout(round(legs, [tap(19, 'client'), tried]), sheet).falls[0]!.attackFrom).toBe(12);
    const threats = [{ athlete: 'client', name: 'armlock', from: 14, lockedAt: 17, to: 19, ended: 'tap' }] as const;
    expect(scoreBout({ ...round(legs, [tap(19, 'client'), tried]), threats }, sheet).falls[0]!.attackFrom).toBe(14);
    expect(scoreBout(round(legs, [tap(19, 'client')]), sheet).falls[0]!.attackFrom).toBeNull();
  });

  it('are one in a bout that a finish ends', () => {
    const { falls, endedAt } = scoreBout({ ...threeTaps, afterFinish: 'ends' }, sheet);
    expect([falls.length, endedAt]).toEqual([1, 18]);
  });

  it('are named by the name that was given, before the technique', () => {
    const named: TimedEvent = { kind: 'finish', athlete: 'client', technique: 'finish', name: 'loop choke', at: 5 };
    expect(scoreBout(round([['mount', 'client', 9]], [named]), sheet).falls[0]!.name).toBe('loop choke');
  });

  it('add up, whatever happens: points given after the last tap and in all falls are the score, and no fall overlaps another', () => {
    fc.assert(
      fc.property(fc.nat(), fc.array(fc.integer({ min: 0, max: 90 }), { maxLength: 4 }), (seed, taps) => {
        const coded = randomBout(seed);
        const events = [...coded.events, ...taps.map((at, i) => tap(Math.min(at, coded.lengthSeconds), i % 2 ? 'client' : 'partner'))];
        const bout: TimedBout = { ...coded, events, afterFinish: 'restarts' };
        const { falls, score, awards } = scoreBout(bout, sheet);
        const clock = boutClock(bout);
        const last = falls.at(-1)?.at ?? -Infinity;
        for (const athlete of ['client', 'partner'] as const) {
          const after = awards.filter((award) => award.athlete === athlete && clock.at(award.bankedAt) > clock.at(last) + 1e-6);
          const inFalls = falls.reduce((sum, fall) => sum + fall.score[athlete].points, 0);
          expect(inFalls + after.reduce((sum, { points }) => sum + points, 0)).toBeCloseTo(score[athlete].points, 9);
        }
        falls.forEach((fall, i) => expect(fall.from).toBeGreaterThanOrEqual(falls[i - 1]?.at ?? 0));
      }),
      { numRuns: 500 },
    );
  });
});

describe('the chain before a fall', () => {
  it('is what led to the tap within it, each within fifteen seconds of the next', () => {
    const { falls } = scoreBout(threeTaps, sheet);
    expect(falls.map((fall) => fallChain(threeTaps, fall))).toEqual([
      'Partner took down',
      'Client took down, mounted',
      'Partner took down, took the back',
    ]);
    const slow = round(
      [
        ['standing', null, 5],
        ['side-control', 'client', 40],
      ],
      [tap(30, 'client')],
    );
    expect(fallChain(slow, scoreBout(slow, sheet).falls[0]!)).toBe('');
  });
});

describe('the coder’s check of falls', () => {
  it('minds no tap that a new position follows, and finds two taps in one fall', () => {
    const afterFinish = (bout: TimedBout) => coderCheck(bout).filter(({ kind }) => kind === 'after-finish');
    expect(afterFinish(threeTaps)).toEqual([]);
    expect(afterFinish({ ...threeTaps, events: [tap(15), ...threeTaps.events] })).toMatchObject([{ at: 15 }]);
  });
});
