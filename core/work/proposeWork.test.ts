import { describe, expect, it } from 'vitest';
import { limitsOf } from '../care/index.ts';
import { blankDrill, blankPrinciple } from '../book/index.ts';
import { ruleSheets } from '../scoring/index.ts';
import { barredFor, proposeWork, type WorkClient } from './proposeWork.ts';
import { startWays } from './startWays.ts';
import { plannedRounds } from './terms.ts';

const client: WorkClient = { name: 'Ada', level: 1, age: 30, limits: [], flags: [], equipment: '', attire: null };
const principle = blankPrinciple({
  ...{ id: 'p', name: 'Knee before hands', area: 'guard', cue: 'Knee first.', good: 'The knee is there before the grip.' },
  ...{ where: [{ position: 'half-guard', role: 'other' }], drillIds: ['d'] },
});
const drill = blankDrill({ id: 'd', name: 'Shin wall', how: 'Ten each side.', partner: 'alone', minutes: 3, equipment: 'a band' });
const propose = (more: Partial<WorkClient>, of = principle, drills = [drill]) =>
  proposeWork(of, drills, { ...client, ...more }, ruleSheets['open-mat']);

describe('work that is proposed for a fix', () => {
  it('is a positional round from where its principle can fail, in the client’s place, and its drills', () => {
    const [round, second] = propose({});
    expect(round!.terms).toMatchObject({
      ...{ kind: 'round', name: 'Half guard, from below: Knee before hands', cue: 'Knee first.', advice: 'Knee first.' },
      test: { start: { position: 'half-guard', clientHolds: false }, minutes: 5, counts: 'chance' },
    });
    expect(round!.minds).toEqual([]);
    expect(second).toMatchObject({ terms: { kind: 'drill', name: 'Shin wall' }, minds: ['It needs: a band.'] });
    expect(propose({ equipment: 'mat, a band' })[1]!.minds).toEqual([]);
    expect(propose({ level: 3 })[0]!.terms).toMatchObject({ test: { minutes: 7 } });
  });

  it('puts what spares a part that hurts first, and the sparing variant of a round before the round', () => {
    const names = propose({ limits: limitsOf(['Left knee repaired'], []) }).map(({ terms }) => terms.name);
    expect(names).toEqual(['Shin wall', 'Half guard, from below: Knee before hands, slowly', 'Half guard, from below: Knee before hands']);
    expect(propose({ flags: [{ part: 'hip', side: 'right' }] })[2]!.minds).toEqual(['It loads what hurts: right hip or groin.']);
  });

  it('holds nothing restricted for a minor', () => {
    const heel = blankPrinciple({ ...principle, caution: 'knee-and-heel' });
    expect(propose({ age: 15 }, heel, [])).toEqual([]);
    expect(propose({ age: 18 }, heel, [])).toHaveLength(1);
    const named = blankPrinciple({ ...principle, techniques: ['heel hook'] });
    expect(propose({ age: 15 }, named, [])).toEqual([]);
    expect(
      barredFor({ age: 15, level: 1 }, { name: 'X', caution: 'general', techniques: ['heel hook'] }, ruleSheets['open-mat']),
    ).toContain('heel hook');
    expect(barredFor({ age: null, level: 1 }, { name: 'X', caution: 'knee-and-heel', techniques: [] }, ruleSheets['open-mat'])).toBeNull();
  });

  it('says where it speaks of a jacket and they train without', () => {
    const collar = blankPrinciple({ ...principle, good: 'The collar grip comes first.' });
    expect(propose({ attire: 'no-jacket' }, collar, [])[0]!.minds).toEqual(['It speaks of a jacket, and they train without.']);
    expect(propose({ attire: 'jacket' }, collar, [])[0]!.minds).toEqual([]);
  });

  it('ends in two to four ways, one of them each side’s at least', () => {
    for (const [position, holds] of [
      ['mount', true],
      ['mount', false],
      ['closed-guard', true],
      ['turtle', false],
      ['standing', null],
      ['front-headlock', true],
      ['leg-entanglement', false],
    ] as const) {
      const ways = startWays(position, holds);
      expect(ways.length).toBeGreaterThanOrEqual(2);
      expect(new Set(ways.map(({ wonBy }) => wonBy))).toContain('own');
      expect(new Set(ways.map(({ wonBy }) => wonBy))).toContain('other');
      expect(new Set(ways.map(({ id }) => id)).size).toBe(ways.length);
    }
  });
});

describe('the rounds of a day', () => {
  const rounds = (many: number, order: 'one-way' | 'balanced', swaps = false, advice = 'Knee first.') =>
    plannedRounds({ rounds: many, swaps, advice, order });
  const short = (all: ReturnType<typeof rounds>): string => all.map(({ when }) => (when ? when[0] : '-')).join('');

  it('are before and after the advice; from four on the old way may stand at both ends', () => {
    expect([2, 3, 4].map((many) => short(rounds(many, 'one-way')))).toEqual(['ba', 'bba', 'bbaa']);
    expect([2, 4, 8].map((many) => short(rounds(many, 'balanced')))).toEqual(['ba', 'baab', 'bbaaaabb']);
  });

  it('are all alike without advice, or where there is one', () => {
    expect(short(rounds(3, 'one-way', false, ''))).toBe('---');
    expect(short(rounds(1, 'one-way'))).toBe('-');
  });

  it('change places from one to the next where they swap', () => {
    expect(rounds(4, 'one-way', true).map(({ place }) => place)).toEqual(['own', 'other', 'own', 'other']);
  });
});
