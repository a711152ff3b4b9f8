import { describe, expect, it } from 'vitest';
import type { TimedEvent } from './boutEvent.ts';
import { pointsJacket, ruleSheets, type RuleSheet } from './ruleSheet.ts';
import { scoreBout } from './scoreBout.ts';
import { boutOf, type Leg } from './testing/boutOf.ts';
import type { TimedBout } from './timedBout.ts';

const score = (legs: readonly Leg[], events: readonly TimedEvent[] = [], sheet: RuleSheet = pointsJacket, clock: number | null = null) =>
  scoreBout(boutOf(legs, events, clock), sheet);
const given = (of: ReturnType<typeof scoreBout>) =>
  of.awards.map(({ athlete, action, bankedAt, points, near }) => [athlete, action, Math.round(bankedAt * 100) / 100, points, near]);
const standing: Leg = ['standing', null, 10];

describe('a position that is reached', () => {
  it('pays when it was held for three seconds', () => {
    expect(given(score([standing, ['side-control', 'client', 3], ['standing', null, 5]]))).toEqual([['client', 'takedown', 13, 2, 0]]);
  });

  it('gives a near point when it was held for 2.9 s, and says so', () => {
    const { awards, score: sums } = score([standing, ['side-control', 'client', 2.9], ['standing', null, 5]]);
    expect(awards).toMatchObject([{ action: 'takedown', at: 10, points: 0, near: 1 }]);
    expect(awards[0]!.bankedAt).toBeCloseTo(12.9, 9);
    expect(awards[0]!.reason).toBe('took the other down at 0:10, held 2.9 s of 3 s: near point');
    expect(sums.client).toEqual({ points: 0, near: 1, penalties: 0 });
  });

  it('is nobody’s action when the bout began in it', () => {
    expect(given(score([['mount', 'client', 20]]))).toEqual([]);
  });

  it('counts three-quarter mount as mount, and moving between the two as nothing', () => {
    const legs: Leg[] = [
      ['side-control', 'client', 5],
      ['three-quarter-mount', 'client', 2],
      ['mount', 'client', 2],
      ['standing', null, 1],
    ];
    expect(given(score(legs))).toEqual([['client', 'mount', 8, 4, 0]]);
  });
});

describe('a sequence', () => {
  it('is given together once the last is held', () => {
    const legs: Leg[] = [standing, ['half-guard', 'client', 2], ['side-control', 'client', 2], ['mount', 'client', 3]];
    expect(given(score(legs))).toEqual([
      ['client', 'takedown', 17, 2, 0],
      ['client', 'pass', 17, 3, 0],
      ['client', 'mount', 17, 4, 0],
    ]);
  });

  it('whose last is not held gives what was held by itself, when that was', () => {
    const legs: Leg[] = [
      standing,
      ['half-guard', 'client', 2],
      ['side-control', 'client', 2],
      ['mount', 'client', 1.5],
      ['half-guard', 'client', 9],
    ];
    expect(given(score(legs))).toEqual([
      ['client', 'takedown', 15, 2, 0],
      ['client', 'pass', 15, 3, 0],
      ['client', 'mount', 15.5, 0, 1],
    ]);
  });

  it('does not hold what was stepped down from', () => {
    const legs: Leg[] = [
      ['side-control', 'client', 5],
      ['mount', 'client', 1],
      ['knee-on-belly', 'client', 4],
    ];
    expect(given(score(legs))).toEqual([
      ['client', 'mount', 6, 0, 1],
      ['client', 'knee-on-belly', 9, 2, 0],
    ]);
  });

  it('straight from a throw into mount is takedown and mount, without a pass', () => {
    expect(given(score([standing, ['mount', 'partner', 4]]))).toEqual([
      ['partner', 'takedown', 13, 2, 0],
      ['partner', 'mount', 13, 4, 0],
    ]);
  });
});

describe('a stoppage', () => {
  const stopped = (back: TimedEvent): TimedBout => ({
    lengthSeconds: 40,
    spans: [
      { position: 'standing', holder: null, from: 0, to: 10 },
      { position: 'side-control', holder: 'client', from: 10, to: 12 },
      { position: 'standing', holder: null, from: 12, to: 30 },
      { position: 'side-control', holder: 'client', from: 30, to: 40 },
    ],
    events: [{ kind: 'stoppage', at: 12 }, back],
  });

  it('in the middle of a hold keeps the hold so far', () => {
    const { awards } = scoreBout(stopped({ kind: 'restart', at: 30, position: 'side-control', holder: 'client' }), pointsJacket);
    expect(awards).toMatchObject([{ action: 'takedown', at: 10, bankedAt: 31, points: 2 }]);
  });

  it('after which they stand again has ended the hold', () => {
    const bout = stopped({ kind: 'restart', at: 30, position: 'standing', holder: null });
    expect(scoreBout(bout, pointsJacket).awards).toMatchObject([{ action: 'takedown', near: 1, bankedAt: 12 }]);
  });

  it('stops the clock: where the referee puts them is nobody’s action', () => {
    const bout = stopped({ kind: 'restart', at: 25, position: 'mount', holder: 'client' });
    expect(scoreBout(bout, pointsJacket).awards.map(({ action }) => action)).toEqual(['takedown']);
  });
});

describe('a pass', () => {
  it('that the other stops by turning to turtle is none; the sheet may give a near point for it', () => {
    const legs: Leg[] = [
      ['half-guard', 'client', 5],
      ['turtle', 'client', 5],
    ];
    const plain = score(legs);
    expect([given(plain), plain.refusals.map(({ reason }) => reason)]).toEqual([
      [],
      ['passed the guard at 0:05, but the other turned to turtle: no pass'],
    ]);
    const sheet = { ...pointsJacket, near: { ...pointsJacket.near, turtle: 1 } };
    expect(given(score(legs, [], sheet))).toEqual([['client', 'pass', 5, 0, 1]]);
  });

  it('pays again once the other had regained guard', () => {
    const round: Leg[] = [
      ['half-guard', 'client', 4],
      ['side-control', 'client', 4],
    ];
    expect(score([...round, ...round]).score.client.points).toBe(6);
  });
});

describe('pulling guard', () => {
  const pulled: Leg[] = [standing, ['closed-guard', 'client', 10]];
  it('is no takedown for the other', () => {
    const { awards, refusals } = score(pulled, [{ kind: 'guard-pull', athlete: 'partner', at: 9.5 }]);
    expect([awards, refusals.map(({ action }) => action)]).toEqual([[], ['takedown']]);
  });

  it('when the other had gripped for one already is a takedown', () => {
    const { awards } = score(pulled, [{ kind: 'guard-pull', athlete: 'partner', gripped: true, at: 9.5 }]);
    expect(awards).toMatchObject([{ athlete: 'client', action: 'takedown', points: 2 }]);
  });

  it('by the one who then is on top changes nothing', () => {
    expect(score(pulled, [{ kind: 'guard-pull', athlete: 'client', at: 9.5 }]).awards).toHaveLength(1);
  });

  it('costs a point on the late sheet, in its second half only', () => {
    const legs: Leg[] = [standing, ['closed-guard', 'client', 10], ['standing', null, 80], ['closed-guard', 'client', 10]];
    const pulls: TimedEvent[] = [
      { kind: 'guard-pull', athlete: 'partner', at: 9.5 },
      { kind: 'guard-pull', athlete: 'partner', at: 99 },
    ];
    const late = score(legs, pulls, ruleSheets['late-points-no-jacket']);
    expect(late.score.partner.points).toBe(-1);
    expect([late.winner, late.decidedBy]).toEqual(['client', 'points']);
  });
});

describe('getting out', () => {
  it('from under a pin to the top is a reversal, which is worth nothing', () => {
    const { awards, refusals } = score([
      ['side-control', 'partner', 6],
      ['half-guard', 'client', 6],
    ]);
    expect([awards, refusals.map(({ action, points }) => [action, points])]).toEqual([[], [['reversal', 0]]]);
  });

  it('is worth what a coach’s own sheet says', () => {
    const sheet = { ...pointsJacket, points: { ...pointsJacket.points, reversal: 2 } };
    expect(
      given(
        score(
          [
            ['side-control', 'partner', 6],
            ['half-guard', 'client', 6],
          ],
          [],
          sheet,
        ),
      ),
    ).toEqual([['client', 'reversal', 9, 2, 0]]);
  });

  it('by a sweep from guard is worth two; taking the back from guard is the back alone', () => {
    expect(
      given(
        score([
          ['x-guard', 'partner', 5],
          ['mount', 'client', 5],
        ]),
      ),
    ).toEqual([
      ['client', 'sweep', 8, 2, 0],
      ['client', 'mount', 8, 4, 0],
    ]);
    expect(
      given(
        score([
          ['x-guard', 'partner', 5],
          ['back-control', 'client', 5],
        ]),
      ),
    ).toEqual([['client', 'back-control', 8, 4, 0]]);
  });
});

describe('farming', () => {
  it('stepping down and up again pays nothing', () => {
    const legs: Leg[] = [['half-guard', 'client', 4], ['side-control', 'client', 4], ['mount', 'client', 4], ['side-control', 'client', 4], ['mount', 'client', 4]]; // prettier-ignore
    const { score: sums, refusals } = score(legs);
    expect(sums.client).toEqual({ points: 7, near: 0, penalties: 0 });
    expect(refusals.map(({ action, at }) => [action, at])).toEqual([['mount', 16]]);
    expect(refusals[0]!.reason).toContain('pays nothing');
  });

  it('gives one near point, however often a position is reached and lost', () => {
    const legs: Leg[] = [['side-control', 'client', 4], ['mount', 'client', 1], ['side-control', 'client', 4], ['mount', 'client', 1], ['side-control', 'client', 4], ['mount', 'client', 3]]; // prettier-ignore
    expect(score(legs).score.client).toEqual({ points: 4, near: 1, penalties: 0 });
  });

  it('is over once the other was on top', () => {
    const mount: Leg[] = [
      ['side-control', 'client', 4],
      ['mount', 'client', 4],
    ];
    expect(score([...mount, ['half-guard', 'partner', 4], ['side-control', 'client', 4], ['mount', 'client', 4]]).score.client.points).toBe(
      10,
    );
  });
});

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
