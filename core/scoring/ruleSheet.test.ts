import { describe, expect, it } from 'vitest';
import { legalityOf } from './legality.ts';
import { correctedBout, correctedScore } from './overrides.ts';
import { pointsJacket, ruleSheetNames, ruleSheets, type RuleSheet } from './ruleSheet.ts';
import { ruleSheetFaults } from './ruleSheetFaults.ts';
import { scoreBout } from './scoreBout.ts';
import { scoreSteps } from './scoreSteps.ts';
import { boutOf } from './testing/boutOf.ts';

const faults = (fields: Partial<RuleSheet>) => ruleSheetFaults({ ...pointsJacket, ...fields });

describe('a rule sheet', () => {
  it.each(ruleSheetNames)('%s contradicts itself nowhere, and says that the referee decides', (name) => {
    expect(ruleSheetFaults(ruleSheets[name])).toEqual([]);
    expect(ruleSheets[name].notes).toContain('the referee decides');
  });

  it('that contradicts itself is told where, in words', () => {
    const none = Object.fromEntries(Object.keys(pointsJacket.points).map((action) => [action, 0])) as RuleSheet['points'];
    expect(faults({ points: none })).toEqual(['points: points count, but nothing gives any. Choose “never” or give some.']);
    expect(faults({ pointsCount: 'never', guardPullCosts: 1 })[0]).toContain('points never count');
    expect(faults({ tie: ['points', 'penalties'] })[0]).toContain('near points are given, but never compared');
    expect(faults({ tie: ['points', 'points', 'near-points'] })).toEqual(['tie[1]: “points” is compared twice.']);
    expect(faults({ decides: false })[0]).toContain('nothing can be compared');
    expect(
      faults({
        penalties: [
          { near: 0, points: 0, loss: true },
          { near: 1, points: 0, loss: false },
        ],
      })[0],
    ).toContain('penalties[1]: comes after');
    expect(faults({ holdSeconds: -1 })[0]).toContain('-1 s');
    expect(faults({ restrictions: [{ technique: 'slam' }, { technique: 'slam', belowLevel: 2 }] })[0]).toContain(
      'forbidden to everybody already',
    );
  });
});

describe('legality', () => {
  const { 'points-jacket': jacket, 'late-points-no-jacket': late } = ruleSheets;
  const grown = (level: number | null) => ({ age: 25, level });
  const verdict = (...of: Parameters<typeof legalityOf>) => legalityOf(...of).verdict;
  it('depends on sheet, age and level, and always defers to the event', () => {
    expect(legalityOf(jacket, 'Knee bar', grown(3)).words).toBe(
      'Knee bar is forbidden below the fourth level on “Points, jacket”. Organisers change their rules. Check the event’s own current rule book; the referee decides.',
    );
    expect(verdict(jacket, 'knee bar', grown(4))).toBe('allowed');
    expect(verdict(jacket, 'slam', grown(5))).toBe('forbidden');
  });

  it('leans to the cautious side: twisting leg locks, knee reaps and neck cranks to nobody in jackets, elsewhere to no minor', () => {
    for (const technique of ['twisting leg lock', 'knee reap', 'neck crank'])
      expect(verdict(jacket, technique, grown(5))).toBe('forbidden');
    expect(verdict(late, 'twisting leg lock', grown(4))).toBe('allowed');
    expect([17, 18].map((age) => verdict(late, 'twisting leg lock', { age, level: 5 }))).toEqual(['forbidden', 'allowed']);
    // Under sixteen no leg lock, and no wrist lock either.
    for (const technique of ['straight ankle lock', 'knee bar', 'toe hold', 'wrist lock'])
      expect([15, 16].map((age) => verdict(jacket, technique, { age, level: 5 }))).toEqual(['forbidden', 'allowed']);
    expect([1, 2].map((level) => verdict(jacket, 'jumping guard', grown(level)))).toEqual(['forbidden', 'allowed']);
  });

  it('reads on what older sheets say of age groups, also of somebody whose years are not known', () => {
    const older = { ...jacket, restrictions: [{ technique: 'guillotine', ageGroups: ['child', 'teen'] as const }] };
    expect([12, 17, 18].map((age) => verdict(older, 'guillotine', { age, level: 1 }))).toEqual(['forbidden', 'forbidden', 'allowed']);
    expect(verdict(older, 'guillotine', { age: null, ageGroup: 'teen', level: 1 })).toBe('forbidden');
    // A teenager may be fifteen or not.
    expect(verdict(jacket, 'wrist lock', { age: null, ageGroup: 'teen', level: 3 })).toBe('unknown');
    expect(verdict(jacket, 'wrist lock', { age: null, ageGroup: 'child', level: 3 })).toBe('forbidden');
  });

  it('is unknown where the sheet is silent or the person is not known', () => {
    expect(verdict(jacket, 'flying something', grown(5))).toBe('unknown');
    expect(legalityOf(jacket, 'knee bar', grown(null))).toMatchObject({ verdict: 'unknown', words: expect.stringContaining('the level') });
    expect(verdict(jacket, 'triangle', { age: null, level: null })).toBe('allowed');
  });
});

describe('a finish that the sheet forbids to these two', () => {
  const finished = (technique: string, people?: Parameters<typeof scoreBout>[0]['people']) =>
    ({
      ...boutOf([['mount', 'client', 10]], [{ kind: 'finish', athlete: 'client', technique, at: 9 }]),
      ...(people && { people }),
    }) as const;
  const people = (client: number, partner: number) => ({ client: { age: client, level: 5 }, partner: { age: partner, level: 5 } });

  it('is a doubt, by the age of either, by level and by attire; one that is allowed, or that nobody named, is none', () => {
    const { 'points-jacket': jacket, 'points-no-jacket': noJacket } = ruleSheets;
    const doubts = (of: Parameters<typeof scoreBout>[0], sheet = jacket) => scoreBout(of, sheet).doubts.map(({ kind, at }) => [kind, at]);
    expect(doubts(finished('toe hold', people(30, 15)))).toEqual([['forbidden', 9]]);
    expect(doubts(finished('toe hold', people(15, 30)))).toEqual([['forbidden', 9]]);
    expect(doubts(finished('toe hold', people(30, 30)))).toEqual([]);
    expect(doubts(finished('twisting leg lock'))).toEqual([['forbidden', 9]]);
    expect(doubts(finished('collar choke'), noJacket)).toEqual([['forbidden', 9]]);
    expect(doubts(finished('collar choke'))).toEqual([]);
    expect(doubts(finished(''))).toEqual([]);
  });

  it('is answered with one press, and the answer to another doubt at that instant is none to it', () => {
    const found = scoreBout(finished('slam'), pointsJacket);
    const answer = { id: 'o', athlete: 'client' as const, action: 'finish', at: 9, points: 0, near: 0, why: 'It stands.' };
    expect(correctedBout(pointsJacket, found, [answer]).doubts).toEqual([]);
    expect(correctedBout(pointsJacket, found, [{ ...answer, action: 'sweep' }]).doubts).toHaveLength(1);
  });
});

describe('what the coach says against the engine', () => {
  const bout = boutOf([
    ['standing', null, 10],
    ['side-control', 'client', 2.9],
    ['standing', null, 20],
  ]);
  const result = scoreBout(bout, pointsJacket);
  it('stands beside the computed result, and may turn it', () => {
    expect(correctedScore(pointsJacket, result, [])).toBeNull();
    const override = { id: 'o', athlete: 'partner' as const, action: 'sweep', at: 25, points: 2, near: 0, why: 'Behind the referee.' };
    expect(correctedScore(pointsJacket, result, [override])).toMatchObject({ winner: 'partner', decidedBy: 'points' });
    expect(result).toMatchObject({ winner: 'client', decidedBy: 'near-points' });
  });

  it('gives what the engine refused, and takes away what it gave, in the bout that others read', () => {
    const [takedown] = result.awards;
    expect(takedown).toMatchObject({ athlete: 'client', action: 'takedown', points: 0, near: 1 });
    const give = {
      id: 'o',
      athlete: 'client' as const,
      action: 'takedown',
      at: takedown!.at + 0.02,
      points: 2,
      near: -1,
      why: 'Held long enough.',
    };
    const given = correctedBout(pointsJacket, result, [give]);
    expect(given.awards).toEqual([{ ...takedown, points: 2, near: 0, reason: 'Client, takedown: +2 points, −1 near. Held long enough.' }]);
    expect(given).toMatchObject({ winner: 'client', decidedBy: 'points', score: { client: { points: 2, near: 0 } } });
    const taken = correctedBout(pointsJacket, result, [{ ...give, points: 0, near: -1 }]);
    expect(taken.awards).toEqual([]);
    expect(taken.refusals.map(({ action, at }) => [action, at])).toContainEqual(['takedown', takedown!.at]);
    expect(taken).toMatchObject({ winner: null, decidedBy: 'referee' });
  });

  it('puts in what the engine did not look at, and leaves a bout without corrections as it is', () => {
    const sweep = { id: 'o', athlete: 'partner' as const, action: 'sweep', at: 25, points: 2, near: 0, why: '' };
    const { awards } = correctedBout(pointsJacket, result, [sweep]);
    expect(awards.map(({ athlete, action, at, points }) => [athlete, action, at, points])).toContainEqual(['partner', 'sweep', 25, 2]);
    expect(correctedBout(pointsJacket, result, [])).toBe(result);
  });
});

describe('“Would that score?”', () => {
  it('is answered step by step, with what the same stretch is worth on another sheet', () => {
    const bout = boutOf([
      ['standing', null, 10],
      ['half-guard', 'client', 5],
      ['side-control', 'client', 2],
      ['half-guard', 'client', 9],
    ]);
    expect(scoreSteps(bout, pointsJacket, 12, 20).map(({ words }) => words)).toEqual([
      '0:10 Partner’s half guard, 5.0 s.',
      '0:15 Side control, Client in control, 2.0 s.',
      'Client passed the guard at 0:15, held 2 s of 3 s: near point. 1 near.',
      '0:17 Partner’s half guard, 9.0 s.',
    ]);
    expect(scoreSteps(bout, { ...pointsJacket, holdSeconds: 2 }, 12, 20)[2]!.words).toBe(
      'Client passed the guard at 0:15, held 2 s. 3 points.',
    );
    expect(scoreSteps(bout, ruleSheets['open-mat'], 12, 20)[2]!.words).toContain('this sheet gives no points. Nothing.');
  });
});
