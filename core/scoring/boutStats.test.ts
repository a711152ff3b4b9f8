import { describe, expect, it } from 'vitest';
import { addStats, boutStats } from './boutStats.ts';
import type { TimedEvent } from './boutEvent.ts';
import { pointsJacket } from './ruleSheet.ts';
import { scoreBout } from './scoreBout.ts';
import { boutOf, type Leg } from './testing/boutOf.ts';
import { randomBout } from './testing/randomBout.ts';

const legs: Leg[] = [
  ['standing', null, 10],
  ['half-guard', 'client', 20],
  ['side-control', 'client', 15],
  ['half-guard', 'client', 5],
  ['side-control', 'client', 4],
  ['closed-guard', 'partner', 6],
];
const tries: TimedEvent[] = [
  { kind: 'attempt', athlete: 'client', technique: 'pass', outcome: 'success', at: 30 },
  { kind: 'attempt', athlete: 'client', technique: 'pass', outcome: 'failed', at: 47 },
  { kind: 'attempt', athlete: 'partner', technique: 'sweep', outcome: 'countered', close: true, at: 20 },
];
const stats = (events: TimedEvent[] = tries) => {
  const bout = boutOf(legs, events);
  return boutStats(bout, scoreBout(bout, pointsJacket));
};

describe('statistics of a bout', () => {
  it('add up time by position and holder, longest first', () => {
    expect(stats().time.map(({ position, seconds }) => [position, seconds])).toEqual([
      ['half-guard', 25],
      ['side-control', 19],
      ['standing', 10],
      ['closed-guard', 6],
    ]);
    expect(stats().time.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
  });

  it('count what followed what', () => {
    const { transitions } = stats();
    expect(transitions[0]).toEqual({
      from: { position: 'half-guard', holder: 'client' },
      to: { position: 'side-control', holder: 'client' },
      count: 2,
    });
    expect(transitions.reduce((sum, { count }) => sum + count, 0)).toBe(legs.length - 1);
  });

  it('count attempts, successes, near points, escapes and control for both', () => {
    const { client, partner } = stats();
    expect(client).toMatchObject({
      tries: 2,
      successes: 1,
      scored: 3,
      escapes: 0,
      controlSeconds: 19,
      longestControlSeconds: 15,
      onTopSeconds: 25,
    });
    expect(client.attempts).toEqual({ pass: { tries: 2, successes: 1 } });
    // Out of side control to half guard, and later to the top of a guard.
    expect(partner).toMatchObject({ tries: 1, successes: 0, near: 1, escapes: 2, controlSeconds: 0, onTopSeconds: 6, guardSeconds: 25 });
    expect(client.activity).toBeCloseTo(5, 9);
  });

  it('leave stoppages out', () => {
    const stopped = stats([
      { kind: 'stoppage', at: 12 },
      { kind: 'restart', at: 22 },
    ]);
    expect(stopped.clockSeconds).toBe(50);
    expect(stopped.time.find(({ position }) => position === 'half-guard')?.seconds).toBeCloseTo(15, 9);
  });

  it('of several bouts are those of one that holds them all', () => {
    const all = Array.from({ length: 40 }, (_, seed) => {
      const bout = randomBout(seed);
      return boutStats(bout, scoreBout(bout, pointsJacket));
    });
    const together = addStats(all);
    const halves = addStats([addStats(all.slice(0, 13)), addStats(all.slice(13))]);
    expect(halves.clockSeconds).toBeCloseTo(together.clockSeconds, 6);
    expect(halves.client.activity).toBeCloseTo(together.client.activity, 6);
    expect(halves.partner.attempts).toEqual(together.partner.attempts);
    for (const { position, holder, seconds } of together.time)
      expect(halves.time.find((other) => other.position === position && other.holder === holder)?.seconds).toBeCloseTo(seconds, 6);
    expect(addStats([]).time).toEqual([]);
  });
});
