import { describe, expect, it } from 'vitest';
import { boutOf } from './testing/boutOf.ts';
import { attacksOf } from './attacks.ts';
import { addNamed, namedStats } from './namedStats.ts';
import { findPatterns } from './patterns.ts';
import { happeningsOf } from './happenings.ts';
import { pointsJacket } from './ruleSheet.ts';
import { scoreBout } from './scoreBout.ts';
import { lateTapWords, threatFacts, timedThreat } from './threats.ts';
import type { TimedBout, TimedThreat } from './timedBout.ts';

const kimura = (more: Partial<TimedThreat> = {}): TimedThreat => ({
  ...{ athlete: 'partner', name: 'double wrist lock', from: 12, lockedAt: 15, to: 20, ended: 'escape' },
  ...more,
});
const round = (threats: TimedThreat[], events: TimedBout['events'] = []): TimedBout => ({
  ...boutOf(
    [
      ['side-control', 'partner', 20],
      ['mount', 'partner', 20],
      ['half-guard', 'partner', 20],
    ],
    [...events],
  ),
  threats,
});
const facts = (bout: TimedBout, limit?: number) => threatFacts(bout, scoreBout(bout, pointsJacket), limit === undefined ? {} : { limit });

describe('a threat', () => {
  it('is danger from when it was tight to its end, on the bout clock, and is called by its first name', () => {
    expect(facts(round([kimura()]))[0]).toMatchObject({ name: 'Kimura', dangerSeconds: 5, lateTap: false });
    const { lockedAt: _never, ...loose } = kimura();
    expect(facts(round([loose]))[0]!.dangerSeconds).toBe(0);
    const stopped = round(
      [kimura()],
      [
        { kind: 'stoppage', at: 16 },
        { kind: 'restart', at: 18 },
      ],
    );
    expect(facts(stopped)[0]!.dangerSeconds).toBe(3);
  });

  it('bought what changed within ten seconds after it: position and points, of the one who attacked', () => {
    // Side control 55, ten seconds after the end mount 80, and the mount was paid.
    expect(facts(round([kimura()]))[0]!.bought).toEqual({ value: 25, points: 4 });
    expect(facts(round([kimura({ athlete: 'client' })]))[0]!.bought).toEqual({ value: -25, points: -4 });
    expect(facts(round([kimura({ from: 22, lockedAt: 23, to: 35 })]))[0]!.bought.value).toBe(20 - 80);
    expect(facts(round([kimura({ ended: 'tap' })]))[0]!.bought).toEqual({ value: 0, points: 0 });
  });

  it('is a late tap only where it ended in one, later than the limit after it was tight', () => {
    expect(facts(round([kimura({ ended: 'tap' })]))[0]!.lateTap).toBe(true);
    expect(facts(round([kimura({ ended: 'tap', lockedAt: 17 })]))[0]!.lateTap).toBe(false);
    expect(facts(round([kimura({ ended: 'tap', lockedAt: 17 })]), 2)[0]!.lateTap).toBe(true);
    expect(lateTapWords(facts(round([kimura({ ended: 'tap' })]))[0]!)).toBe(
      'Kimura: tight for 5 s before the tap. Tap when it is tight; the round goes on, a joint does not.',
    );
  });

  it('keeps its frames on the way to seconds', () => {
    const since = (frame: number) => (frame - 30) / 30;
    const { from, to, lockedAt } = timedThreat(
      { athlete: 'client', name: 'Kimura', fromFrame: 60, lockedFrame: 75, toFrame: 90, ended: 'time' } as never,
      since as never,
    );
    expect([from, lockedAt, to]).toEqual([1, 1.5, 2]);
  });
});

describe('attacks', () => {
  it('are each counted once, however often they were coded', () => {
    const bout = round(
      [kimura({ ended: 'tap', name: 'attack' })],
      [
        { kind: 'attempt', athlete: 'partner', technique: 'finish', outcome: 'success', at: 13, name: 'Kimura' },
        { kind: 'finish', athlete: 'partner', technique: 'armlock', at: 20.5 },
        { kind: 'attempt', athlete: 'client', technique: 'finish', outcome: 'failed', at: 14, name: 'guillotine' },
        { kind: 'catch-and-release', athlete: 'client', technique: '', name: 'rnc', at: 50 },
      ],
    );
    expect(attacksOf({ ...bout, threats: [kimura({ ended: 'tap' })] }).map(({ name, outcome }) => [name, outcome])).toEqual([
      ['Kimura', 'finished'],
      ['Guillotine', 'failed'],
      ['Armlock', 'finished'],
      ['Rear choke', 'caught'],
    ]);
  });
});

describe('what is counted by name', () => {
  const bout: TimedBout = {
    ...round(
      [kimura()],
      [
        { kind: 'attempt', athlete: 'client', technique: 'escape', outcome: 'failed', at: 5, name: 'hip escape' },
        { kind: 'attempt', athlete: 'client', technique: 'escape', outcome: 'success', at: 38, name: 'shrimp escape' },
        { kind: 'attempt', athlete: 'client', technique: 'escape', outcome: 'failed', at: 9 },
      ],
    ),
  };
  const named = {
    ...bout,
    spans: bout.spans.map((span, i) =>
      i === 2 ? { ...span, name: 'lockdown', posture: { top: 'knees' as const, bottom: 'flat' as const, head: 'partner' as const } } : span,
    ),
  };

  it('is tries and successes under one name, whichever was said, and the danger of either', () => {
    const { client, partner } = namedStats(named, { awards: [] });
    expect(client.acts).toEqual([{ technique: 'escape', name: 'Elbow-knee escape', tries: 2, successes: 1, caught: 0 }]);
    expect(partner.acts).toEqual([{ technique: 'finish', name: 'Kimura', tries: 1, successes: 0, caught: 0 }]);
    expect([client.dangerSeconds, partner.dangerSeconds, partner.threats]).toEqual([5, 0, 1]);
  });

  it('is the time in what a stretch is called, and in a posture, of each of the two', () => {
    const { time, client, partner } = namedStats(named, { awards: [] });
    expect(time).toEqual([{ name: 'Lockdown', position: 'half-guard', holder: 'partner', seconds: 20 }]);
    expect(partner.posture).toEqual({
      ...{ passing: { standing: 0, knees: 20 }, below: { flat: 0, side: 0, seated: 0 } },
      ...{ insideSeconds: 0, headSeconds: 20 },
    });
    expect(client.posture.below.flat).toBe(20);
  });

  it('adds up over bouts as it would over one', () => {
    const one = namedStats(named, { awards: [] });
    const both = addNamed([one, one]);
    expect(both.client.acts[0]).toMatchObject({ tries: 4, successes: 2 });
    expect(both.time[0]!.seconds).toBe(40);
    expect(both.partner.posture.passing.knees).toBe(40);
    expect(addNamed([one])).toEqual(one);
  });
});

describe('patterns by name', () => {
  /** A failed guillotine from half guard, after which the partner passes; a failed sweep, after which nothing comes. */
  const once: TimedBout = boutOf(
    [
      ['half-guard', 'partner', 20],
      ['side-control', 'partner', 20],
      ['half-guard', 'partner', 30],
    ],
    [
      { kind: 'attempt', athlete: 'client', technique: 'finish', outcome: 'failed', at: 16, name: 'guillotine' },
      { kind: 'attempt', athlete: 'client', technique: 'finish', outcome: 'failed', at: 50, name: 'kimura' },
    ],
  );

  it('say which choke gives the pass away, and leave out the one that says less of the same instances', () => {
    const found = findPatterns([once, once, once, once].map((bout) => happeningsOf(bout)));
    const passes = found.filter(({ then, first }) => then.kind === 'pass' && first.kind === 'attempt finish');
    expect(passes.map(({ sentence }) => sentence)).toEqual([
      '4 of 4 times the client tried a guillotine from half guard, the partner passed within 4 s',
    ]);
    expect(passes[0]).toMatchObject({ support: 4, times: 4, confidence: 1, first: { name: 'Guillotine' } });
  });

  it('keep the one without a name where several names make it up', () => {
    const other = {
      ...once,
      events: once.events.map((event) => (event.kind === 'attempt' && event.at === 16 ? { ...event, name: 'triangle' } : event)),
    };
    const found = findPatterns([once, once, once, other].map((bout) => happeningsOf(bout)));
    const passes = found.filter(({ then, first }) => then.kind === 'pass' && first.kind === 'attempt finish');
    expect(passes.map(({ first, support }) => [first.name, support])).toEqual([
      ['Guillotine', 3],
      [null, 4],
    ]);
  });
});
