import { describe, expect, it } from 'vitest';
import type { TimedEvent } from './boutEvent.ts';
import { pointsJacket, ruleSheets } from './ruleSheet.ts';
import { scoreBout } from './scoreBout.ts';
import type { Leg } from './testing/boutOf.ts';
import { given, score, standing } from './testing/scoreLegs.ts';
import type { TimedBout } from './timedBout.ts';

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

  /** Coded as one span through the stoppage: the restart says what it was afterwards. */
  const through = (back: TimedEvent): TimedBout => {
    const [feet, pin] = stopped(back).spans;
    return { ...stopped(back), spans: [feet!, { ...pin!, to: 40 }] };
  };

  it('after which they stand again has ended the hold', () => {
    const bout = through({ kind: 'restart', at: 30, position: 'standing', holder: null });
    expect(scoreBout(bout, pointsJacket).awards).toMatchObject([{ action: 'takedown', near: 1, bankedAt: 12 }]);
  });

  it('stops the clock: where the referee puts them is nobody’s action', () => {
    const bout = through({ kind: 'restart', at: 25, position: 'mount', holder: 'client' });
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
    const legs: Leg[] = [
      ['half-guard', 'client', 4],
      ['side-control', 'client', 4],
      ['mount', 'client', 4],
      ['side-control', 'client', 4],
      ['mount', 'client', 4],
    ];
    const { score: sums, refusals } = score(legs);
    expect(sums.client).toEqual({ points: 7, near: 0, penalties: 0 });
    expect(refusals.map(({ action, at }) => [action, at])).toEqual([['mount', 16]]);
    expect(refusals[0]!.reason).toContain('pays nothing');
  });

  it('gives one near point, however often a position is reached and lost', () => {
    const legs: Leg[] = [
      ['side-control', 'client', 4],
      ['mount', 'client', 1],
      ['side-control', 'client', 4],
      ['mount', 'client', 1],
      ['side-control', 'client', 4],
      ['mount', 'client', 3],
    ];
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
