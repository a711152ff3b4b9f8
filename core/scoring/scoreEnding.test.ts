import { describe, expect, it } from 'vitest';
import type { TimedEvent } from './boutEvent.ts';
import { ruleSheets } from './ruleSheet.ts';
import type { Leg } from './testing/boutOf.ts';
import { given, score, standing } from './testing/scoreLegs.ts';

describe('events', () => {
  it('give a near point for an attempt that was close and failed', () => {
    const close = (outcome: 'failed' | 'success'): TimedEvent => ({
      kind: 'attempt',
      athlete: 'partner',
      technique: 'finish',
      outcome,
      close: true,
      at: 3,
    });
    expect(given(score([standing], [close('failed')]))).toEqual([['partner', 'finish', 3, 0, 1]]);
    expect(given(score([standing], [close('success')]))).toEqual([]);
  });

  it('do not give it twice when what the attempt reached is judged by itself', () => {
    const { score: sums } = score(
      [
        ['half-guard', 'client', 5],
        ['side-control', 'client', 2],
        ['half-guard', 'client', 5],
      ],
      [{ kind: 'attempt', athlete: 'client', technique: 'pass', outcome: 'failed', close: true, at: 4.5 }],
    );
    expect(sums.client.near).toBe(1);
  });

  it('of both at once are both given', () => {
    const penalty = (athlete: 'client' | 'partner'): TimedEvent => ({ kind: 'penalty', athlete, at: 5 });
    const { score: sums, decidedBy } = score([standing], [penalty('client'), penalty('partner'), penalty('client'), penalty('partner')]);
    expect([sums.client, sums.partner, decidedBy]).toEqual([
      { points: 0, near: 1, penalties: 2 },
      { points: 0, near: 1, penalties: 2 },
      'referee',
    ]);
  });

  it('go up the ladder of penalties to the loss of the bout', () => {
    const penalties = (count: number): TimedEvent[] =>
      Array.from({ length: count }, (_, i) => ({ kind: 'penalty', athlete: 'client', at: i + 1 }));
    const sums = (count: number) => score([standing], penalties(count));
    expect(sums(1).score.partner).toEqual({ points: 0, near: 0, penalties: 0 });
    expect(sums(2).score.partner).toEqual({ points: 0, near: 1, penalties: 0 });
    expect(sums(3).score.partner).toEqual({ points: 2, near: 1, penalties: 0 });
    expect(sums(4)).toMatchObject({ winner: 'partner', decidedBy: 'disqualification', endedAt: 4 });
  });
});

describe('the end', () => {
  const ahead: Leg[] = [standing, ['side-control', 'client', 20]];
  it('is a finish, also by the one who is behind; nothing after it counts', () => {
    const {
      winner,
      decidedBy,
      endedAt,
      score: sums,
    } = score([...ahead, ['mount', 'client', 20]], [{ kind: 'finish', athlete: 'partner', technique: 'armlock', at: 25 }]);
    expect([winner, decidedBy, endedAt, sums.client.points]).toEqual(['partner', 'finish', 25, 2]);
  });

  it('of both at the same instant is for the referee', () => {
    const finish = (athlete: 'client' | 'partner'): TimedEvent => ({ kind: 'finish', athlete, technique: 'leg lock', at: 5 });
    expect(score(ahead, [finish('client'), finish('partner')])).toMatchObject({ winner: null, decidedBy: 'referee' });
  });

  it('is decided by points, then near points, then penalties, then the referee', () => {
    const level: Leg[] = [standing, ['side-control', 'client', 4], standing, ['side-control', 'partner', 4]];
    const close: TimedEvent = { kind: 'attempt', athlete: 'partner', technique: 'finish', outcome: 'failed', close: true, at: 1 };
    const by = (legs: Leg[], events: TimedEvent[]) => {
      const { winner, decidedBy } = score(legs, events);
      return [winner, decidedBy];
    };
    expect(by(ahead, [])).toEqual(['client', 'points']);
    expect(by(level, [close])).toEqual(['partner', 'near-points']);
    expect(by(level, [{ kind: 'penalty', athlete: 'partner', at: 2 }])).toEqual(['client', 'penalties']);
    expect(by(level, [])).toEqual([null, 'referee']);
  });

  it('decides nothing on the open mat, and without a finish leaves finish-only to the referee', () => {
    expect(score(ahead, [], ruleSheets['open-mat'])).toMatchObject({ winner: null, decidedBy: 'not-scored', awards: [] });
    expect(score(ahead, [], ruleSheets['finish-only'])).toMatchObject({ winner: null, decidedBy: 'referee', awards: [] });
  });

  it('with a hold that the clock cut short leaves a near point', () => {
    expect(given(score([standing, ['mount', 'client', 2]]))).toEqual([
      ['client', 'takedown', 12, 0, 1],
      ['client', 'mount', 12, 0, 1],
    ]);
  });
});

describe('late points', () => {
  it('count when they are banked in the second half of the bout clock', () => {
    const late = ruleSheets['late-points-no-jacket'];
    const legs = (wait: number): Leg[] => [
      ['standing', null, wait],
      ['side-control', 'client', 4],
      ['standing', null, 96 - wait],
    ];
    expect(score(legs(20), [], late).score.client.points).toBe(0);
    expect(score(legs(20), [], late).refusals[0]!.reason).toContain('points do not count yet');
    expect(score(legs(46), [], late).score.client.points).toBe(0);
    expect(score(legs(47), [], late).score.client.points).toBe(2);
    // Of the bout's own length where one is set, though it ended early.
    expect(score(legs(47), [], late, 300).score.client.points).toBe(0);
  });
});
