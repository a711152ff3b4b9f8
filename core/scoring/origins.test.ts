import { describe, expect, it } from 'vitest';
import { pointsJacket, ruleSheets, type RuleSheet } from './ruleSheet.ts';
import { correctedBout } from './overrides.ts';
import { scoreBout } from './scoreBout.ts';
import { boutOf, type Leg } from './testing/boutOf.ts';
import { given, score, standing } from './testing/scoreLegs.ts';

const up: Leg = ['half-guard', 'partner', 5];
const end: Leg = ['standing', null, 1];
const scramble = (seconds: number): Leg => ['scramble', null, seconds];
const actions = (legs: Leg[], sheet: RuleSheet = pointsJacket) =>
  given(score(legs, [], sheet)).map(([athlete, action, , points, near]) => [athlete, action, points, near]);
const reasons = (legs: Leg[], sheet: RuleSheet = pointsJacket) => {
  const { awards, refusals } = score(legs, [], sheet);
  return [...awards, ...refusals].map(({ reason }) => reason);
};

describe('through a scramble', () => {
  it('the guard player who comes up has swept, and the reason says the way', () => {
    const legs: Leg[] = [up, scramble(1.5), ['half-guard', 'client', 4], end];
    expect(actions(legs)).toEqual([['client', 'sweep', 2, 0]]);
    expect(reasons(legs)).toEqual(['swept to the top at 0:06, from half guard through scramble of 1.5 s, held 3 s']);
  });

  it('the passer who comes out past the legs has passed', () => {
    expect(actions([['half-guard', 'client', 5], scramble(2), ['side-control', 'client', 4], end])).toEqual([['client', 'pass', 3, 0]]);
  });

  it('whoever comes down on top from the feet has taken the other down', () => {
    expect(actions([standing, scramble(3), ['side-control', 'client', 4], end])).toEqual([['client', 'takedown', 2, 0]]);
  });

  it('whoever comes out from under a pin has turned it over, which pays nothing, and says so', () => {
    const legs: Leg[] = [['side-control', 'partner', 5], scramble(2), ['side-control', 'client', 4], end];
    expect([actions(legs), reasons(legs)[0]]).toEqual([[], expect.stringContaining('turned a pin over to the top')]);
  });

  it('a pin that is held again is nothing new: mount, a scramble of two seconds, mount', () => {
    const legs: Leg[] = [standing, ['mount', 'client', 5], scramble(2), ['mount', 'client', 5], end];
    expect(actions(legs)).toEqual([
      ['client', 'takedown', 2, 0],
      ['client', 'mount', 4, 0],
    ]);
  });

  it('longer than the sheet’s ten seconds nothing of before counts, and the change of top and bottom is a doubt', () => {
    const legs: Leg[] = [up, scramble(10.5), ['half-guard', 'client', 4], end];
    const { awards, refusals, doubts } = score(legs);
    expect([awards, refusals]).toEqual([[], []]);
    expect(doubts).toEqual([
      {
        kind: 'unexplained',
        athlete: 'client',
        at: 15.5,
        words: 'Client came up on top, half guard, at 0:15 out of scramble: was it anything?',
      },
    ]);
    expect(actions([up, scramble(10), ['half-guard', 'client', 4], end])).toEqual([['client', 'sweep', 2, 0]]);
    expect(actions(legs, { ...pointsJacket, originSeconds: 12 })).toEqual([['client', 'sweep', 2, 0]]);
  });
});

describe('a doubt', () => {
  const bout = boutOf([up, scramble(11), ['half-guard', 'client', 4], end]);
  const answer = (points: number) => ({ id: 'o', athlete: 'client', action: 'sweep', at: 16, points, near: 0, why: '' }) as const;

  it('is answered by what the coach says at its instant: something, or nothing', () => {
    const result = scoreBout(bout, pointsJacket);
    expect(result.doubts).toHaveLength(1);
    const given = correctedBout(pointsJacket, result, [answer(2)]);
    expect([given.doubts, given.awards.map(({ points }) => points), given.score.client.points]).toEqual([[], [2], 2]);
    const nothing = correctedBout(pointsJacket, result, [answer(0)]);
    expect([nothing.doubts, nothing.awards, nothing.refusals.length]).toEqual([[], [], 1]);
  });

  it('stays while what the coach said was of something else', () => {
    const result = scoreBout(bout, pointsJacket);
    expect(correctedBout(pointsJacket, result, [{ ...answer(2), at: 3 }]).doubts).toHaveLength(1);
    expect(correctedBout(pointsJacket, result, [{ ...answer(2), athlete: 'partner' }]).doubts).toHaveLength(1);
  });

  it('is none where the bout, or a restart, begins on top', () => {
    expect(score([['half-guard', 'client', 5], end]).doubts).toEqual([]);
    const stop = [
      { kind: 'stoppage', at: 2 },
      { kind: 'restart', at: 3, position: 'half-guard', holder: 'partner' },
    ] as const;
    expect(score([['half-guard', 'client', 5], end], [...stop]).doubts).toEqual([]);
  });
});

describe('ways through one after another', () => {
  it('are one way: a sprawl, the front headlock, then behind', () => {
    const legs: Leg[] = [standing, scramble(1), ['front-headlock', 'client', 4], ['turtle', 'client', 4], end];
    expect(actions(legs)).toEqual([['client', 'takedown', 2, 0]]);
    expect(reasons(legs)[0]).toContain('from standing through scramble and front headlock of 5 s');
  });

  it('that the bout begins in come from standing', () => {
    expect(actions([scramble(4), ['side-control', 'client', 4], end])).toEqual([['client', 'takedown', 2, 0]]);
  });

  it('do not end a control: what paid before them does not pay again after them', () => {
    const legs: Leg[] = [standing, ['mount', 'client', 4], ['side-control', 'client', 2], scramble(1), ['mount', 'client', 4], end];
    expect(actions(legs)).toEqual([
      ['client', 'takedown', 2, 0],
      ['client', 'mount', 4, 0],
    ]);
  });
});

describe('coming up', () => {
  const fifty: Leg[] = [up, ['fifty-fifty', null, 20], ['half-guard', 'client', 4], end];
  it('from a long stay in fifty-fifty pays what the sheet says', () => {
    expect(actions(fifty)).toEqual([['client', 'sweep', 2, 0]]);
    expect(actions(fifty, { ...pointsJacket, fiftyFifty: 'near' })).toEqual([['client', 'sweep', 0, 1]]);
    expect([
      actions(fifty, { ...pointsJacket, fiftyFifty: 'nothing' }),
      reasons(fifty, { ...pointsJacket, fiftyFifty: 'nothing' }),
    ]).toEqual([[], ['swept to the top at 0:25, out of fifty-fifty after 20 s: coming up from there is worth nothing on this sheet']]);
  });

  it('from a leg entanglement likewise, also with a scramble between', () => {
    const legs: Leg[] = [up, ['leg-entanglement', 'partner', 15], scramble(2), ['closed-guard', 'client', 4], end];
    expect(actions(legs, { ...pointsJacket, entanglement: 'near' })).toEqual([['client', 'sweep', 0, 1]]);
  });

  it('from a double pull is a near point, however soon', () => {
    for (const seconds of [1, 30])
      expect(actions([standing, ['both-seated', null, seconds], ['open-guard', 'client', 4], end])).toEqual([['client', 'sweep', 0, 1]]);
    expect(
      actions([standing, ['both-seated', null, 2], ['open-guard', 'client', 4], end], { ...pointsJacket, doublePull: 'sweep' }),
    ).toEqual([['client', 'sweep', 2, 0]]);
  });
});

describe('a throw, and a step down', () => {
  it('straight into knee on belly is a takedown and no more', () => {
    expect(actions([standing, ['knee-on-belly', 'client', 5], end])).toEqual([['client', 'takedown', 2, 0]]);
    expect(actions([standing, ['mount', 'client', 5], end])).toEqual([
      ['client', 'takedown', 2, 0],
      ['client', 'mount', 4, 0],
    ]);
  });

  it('from mount to knee on belly pays nothing, and says why', () => {
    const legs: Leg[] = [standing, ['mount', 'client', 5], ['knee-on-belly', 'client', 5], end];
    expect(actions(legs)).toEqual([
      ['client', 'takedown', 2, 0],
      ['client', 'mount', 4, 0],
    ]);
    expect(reasons(legs).at(-1)).toContain('stepped down');
  });

  it('pays by where it lands on a sheet that says so', () => {
    const sheet = { ...pointsJacket, takedownInto: { guard: 2, past: 4 } };
    expect(actions([standing, ['half-guard', 'client', 5], end], sheet)).toEqual([['client', 'takedown', 2, 0]]);
    expect(actions([standing, ['side-control', 'client', 5], end], sheet)).toEqual([['client', 'takedown', 4, 0]]);
  });
});

describe('pulling guard', () => {
  const pull = (at: number) => ({ kind: 'guard-pull', athlete: 'partner', at }) as const;
  const down: Leg[] = [standing, ['clinch', null, 0.4], ['open-guard', 'client', 5], end];
  it('up to a second before they went down counts, also before a clinch that was coded between', () => {
    expect(given(score(down, [pull(9.5)]))).toEqual([]);
    expect(given(score(down, [pull(9.3)])).map(([, action]) => action)).toEqual(['takedown']);
  });

  it('that the referee stopped leads nowhere: the next takedown counts', () => {
    const legs: Leg[] = [['standing', null, 30], ['half-guard', 'client', 5], end];
    const stop = [
      { kind: 'stoppage', at: 11 },
      { kind: 'restart', at: 15 },
    ] as const;
    expect(given(score(legs, [pull(10), ...stop])).map(([, action]) => action)).toEqual(['takedown']);
    expect(given(score(legs, [pull(10)]))).toEqual([]);
  });
});

describe('what happens while the clock stands', () => {
  it('keeps its own instant: penalties in a stoppage, and the fourth of them ends the bout there', () => {
    const legs: Leg[] = [['standing', null, 60]];
    const stop = [
      { kind: 'stoppage', at: 20 },
      { kind: 'restart', at: 30 },
    ] as const;
    const penalties = [24, 25, 26, 27].map((at) => ({ kind: 'penalty', athlete: 'client', at }) as const);
    const { awards, refusals, endedAt, decidedBy } = score(legs, [...stop, ...penalties]);
    expect([...awards, ...refusals].map(({ at }) => at).sort()).toEqual([24, 25, 26, 27]);
    expect([endedAt, decidedBy]).toEqual([27, 'disqualification']);
  });

  it('a restart names the position only where one was coded through the stoppage', () => {
    const stop = [
      { kind: 'stoppage', at: 20 },
      { kind: 'restart', at: 25, position: 'turtle', holder: 'client' },
    ] as const;
    const named = score([['standing', null, 40], ['mount', 'client', 5], end], [...stop]);
    expect(given(named).map(([, action]) => action)).toEqual(['mount']);
    // The coder said what it was: a restart never says otherwise.
    const coded = score([['standing', null, 25], ['standing', null, 15], ['mount', 'client', 5], end], [...stop]);
    expect(given(coded).map(([, action]) => action)).toEqual(['takedown', 'mount']);
  });
});

it('late points pay their own values', () => {
  const legs: Leg[] = [['standing', null, 40], ['mount', 'client', 5], ['back-control', 'client', 5], end];
  expect(actions(legs, ruleSheets['late-points-no-jacket'])).toEqual([
    ['client', 'takedown', 2, 0],
    ['client', 'mount', 2, 0],
    ['client', 'back-control', 3, 0],
  ]);
});
