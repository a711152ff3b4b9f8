import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fisherExact } from '../statistics/index.ts';
import { withinDay, type Block } from './withinDay.ts';

const chances = (when: Block['when'], successes: number, many = 8): Block => ({ when, successes, chances: many });

describe('before and after a piece of advice on one day', () => {
  it('is held against one another by the exact test, all blocks of a side together', () => {
    const day = withinDay([chances('before', 1), chances('after', 5), chances('after', 6), chances('before', 2)])!;
    expect(day).toMatchObject({ order: 'balanced', progress: { verdict: 'better' }, moreNeeded: null });
    expect(day.progress.pOneSided).toBeCloseTo(fisherExact({ yes: 11, no: 5, otherYes: 3, otherNo: 13 }), 12);
  });

  it('says honestly how many more resets would tell', () => {
    const day = withinDay([chances('before', 3), chances('after', 4, 12)])!;
    expect(day.progress.verdict).toBe('too-little');
    expect(day.moreNeeded!.before - day.moreNeeded!.after).toBe(4);
    expect(day.moreNeeded!.after).toBeGreaterThan(0);
  });

  it('says whether the order alone could have done it', () => {
    const of = (...order: Block['when'][]) => withinDay(order.map((when) => chances(when, 4)))!.order;
    expect(of('before', 'after')).toBe('one-way');
    expect(of('before', 'before', 'after')).toBe('one-way');
    expect(of('before', 'after', 'after', 'before')).toBe('balanced');
    expect(of('before', 'after', 'before')).toBe('balanced');
    expect(of('before', 'after', 'before', 'after')).toBe('mixed');
  });

  it('takes rates as well, never both, and nothing where a side is missing', () => {
    const rate = (when: Block['when'], mistakes: number): Block => ({ when, mistakes, minutes: 7 });
    expect(withinDay([rate('before', 9), rate('after', 2)])).toMatchObject({ progress: { verdict: 'better' } });
    expect(() => withinDay([rate('before', 9), chances('after', 2)])).toThrow(RangeError);
    expect(withinDay([chances('before', 2)])).toBeNull();
    expect(withinDay([])).toBeNull();
  });

  it('does not depend on how a side was cut into blocks', () => {
    const side = fc.array(fc.nat(6), { minLength: 1, maxLength: 4 });
    fc.assert(
      fc.property(side, side, (before, after) => {
        const sum = (counts: number[]): number => counts.reduce((total, one) => total + one, 0);
        const cut = [...before.map((one) => chances('before', one, 6)), ...after.map((one) => chances('after', one, 6))];
        const whole = [chances('before', sum(before), 6 * before.length), chances('after', sum(after), 6 * after.length)];
        expect(withinDay(cut)!.progress).toEqual(withinDay(whole)!.progress);
      }),
      { numRuns: 30 },
    );
  });
});
