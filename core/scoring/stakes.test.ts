import { describe, expect, it } from 'vitest';
import { pointsJacket, ruleSheets, type RuleSheet } from './ruleSheet.ts';
import { correctedBout } from './overrides.ts';
import { scoreBout } from './scoreBout.ts';
import { stakesAt } from './stakes.ts';
import { boutOf, type Leg } from './testing/boutOf.ts';

const at = (legs: readonly Leg[], seconds: number, sheet: RuleSheet = pointsJacket, clock: number | null = null) => {
  const bout = boutOf(legs, [], clock);
  return stakesAt(bout, sheet, scoreBout(bout, sheet), seconds);
};
const ahead: Leg[] = [
  ['standing', null, 10],
  ['closed-guard', 'client', 50],
];

describe('stakes', () => {
  it('are a knife-edge when one score by the partner takes the lead away, with the cheapest that does', () => {
    const stakes = at(ahead, 40);
    expect(stakes).toMatchObject({ state: 'knife-edge', leader: 'client', secondsLeft: 20, strong: true });
    expect(stakes.cheapest).toMatchObject({ athlete: 'partner', action: 'sweep', points: 2, leader: null, fromHere: true });
    expect(stakes.question).toBe('Ahead by 2, 0:20 left: was trying for a pass worth the risk of a sweep?');
  });

  it('are safe when no single score by the partner does', () => {
    const legs: Leg[] = [
      ['standing', null, 10],
      ['half-guard', 'client', 5],
      ['side-control', 'client', 45],
    ];
    expect(at(legs, 50)).toMatchObject({ state: 'safe', question: null, score: { client: { points: 5 } } });
    // Four points more for the partner would be level: the lead would be gone.
    const two: Leg[] = [
      ['standing', null, 10],
      ['mount', 'client', 5],
      ['standing', null, 10],
      ['half-guard', 'partner', 40],
    ];
    expect(at(two, 60)).toMatchObject({ state: 'knife-edge', cheapest: { action: 'mount', points: 4 } });
  });

  it('say must-score when behind, and what is the least that helps', () => {
    const two: Leg[] = [
      ['standing', null, 10],
      ['side-control', 'partner', 20],
      ['closed-guard', 'client', 30],
    ];
    const stakes = at(two, 40);
    expect(stakes).toMatchObject({ state: 'must-score', leader: 'partner' });
    expect(stakes.cheapest).toMatchObject({ athlete: 'client', points: 2, leader: null });
    expect(stakes.question).toBe('Behind by 2, 0:20 left: would a pass have been the way back?');
    // Four behind: a sweep would not change who leads, a sweep into mount would.
    const four: Leg[] = [
      ['standing', null, 10],
      ['mount', 'partner', 2],
      ['half-guard', 'partner', 10],
      ['side-control', 'partner', 2],
      ['half-guard', 'partner', 10],
      ['side-control', 'partner', 4],
      ['closed-guard', 'partner', 22],
    ];
    const behind = at(four, 50);
    expect(behind.score.partner.points - behind.score.client.points).toBeGreaterThan(2);
    expect(behind.cheapest!.points).toBeGreaterThanOrEqual(behind.score.partner.points);
    expect(behind.question).toMatch(/would a sweep into \w+.* \(\d\) have been the way back\?/);
    // Five behind, and nothing on the sheet gives five.
    expect(
      at(
        [
          ['standing', null, 10],
          ['half-guard', 'partner', 5],
          ['mount', 'partner', 45],
        ],
        40,
      ),
    ).toMatchObject({ state: 'must-score', cheapest: null });
  });

  it('are a knife-edge while level: whoever scores next leads', () => {
    expect(at(ahead, 5)).toMatchObject({ state: 'knife-edge', leader: null, cheapest: { action: 'takedown', fromHere: true } });
  });

  it('are not safe five ahead from a sweep into mount, and are from where none can follow', () => {
    const five = (last: Leg): Leg[] => [['standing', null, 5], ['half-guard', 'client', 5], ['side-control', 'client', 5], last];
    const swept = at(five(['closed-guard', 'client', 45]), 30);
    expect(swept).toMatchObject({ state: 'knife-edge', score: { client: { points: 5 } } });
    expect(swept.chains).toContainEqual(
      expect.objectContaining({ athlete: 'partner', action: 'sweep', then: 'mount', points: 6, leader: 'partner' }),
    );
    expect(swept.question).toBe('Ahead by 5, 0:30 left: was trying for a pass worth the risk of a sweep into mount (6)?');
    expect(at(five(['side-control', 'client', 45]), 30)).toMatchObject({ state: 'safe', question: null });
  });

  it('leave the coach in peace two ahead with four minutes left, and ask where the one who holds them down may take the lead outright', () => {
    const two = at(ahead, 40, pointsJacket, 290);
    expect([two.secondsLeft, two.state, two.question]).toEqual([250, 'knife-edge', null]);
    const pinned: Leg[] = [
      ['standing', null, 10],
      ['closed-guard', 'client', 10],
      ['scramble', null, 11],
      ['side-control', 'partner', 30],
    ];
    expect(at(pinned, 40, pointsJacket, 290).question).toBe('Ahead by 2, 4:10 left: was enough done against a knee on belly?');
  });

  it('follow the coach’s corrections', () => {
    const bout = boutOf(ahead);
    const refused = { id: 'o', athlete: 'client' as const, action: 'takedown', at: 10, points: -2, near: 0, why: '' };
    const result = scoreBout(bout, pointsJacket);
    expect(stakesAt(bout, pointsJacket, correctedBout(pointsJacket, result, [refused]), 40)).toMatchObject({ leader: null });
  });

  it('count down to the length that was set, not to where the footage ends', () => {
    expect(at(ahead, 40, pointsJacket, 300)).toMatchObject({ secondsLeft: 260, strong: false });
  });

  it('never say how much is left because the picture ends', () => {
    const open = { ...boutOf(ahead), openEnd: true };
    const stakes = stakesAt(open, pointsJacket, scoreBout(open, pointsJacket), 50);
    expect(stakes).toMatchObject({ secondsLeft: null, strong: false, state: 'knife-edge', question: null });
    expect(stakesAt({ ...open, clockSeconds: 300 }, pointsJacket, scoreBout(open, pointsJacket), 50).secondsLeft).toBe(250);
  });

  it('are nothing where no points are given, and after the end', () => {
    expect(at(ahead, 40, ruleSheets['open-mat'])).toMatchObject({ state: null, actions: [], cheapest: null });
    expect(at(ahead, 60).state).toBeNull();
  });
});
