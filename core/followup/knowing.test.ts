import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { knowingByPrinciple, type ForkChosen } from './knowing.ts';

describe('what a client knows of a principle', () => {
  it('is how often they chose the coach’s way of those they were asked about, each principle by itself', () => {
    const chosen: ForkChosen[] = [
      { principleId: 'elbow', choice: 0 },
      { principleId: 'elbow', choice: 2 },
      { principleId: 'post', choice: 1 },
      { principleId: 'elbow', choice: 0 },
      { principleId: null, choice: 0 },
    ];
    expect([...knowingByPrinciple(chosen)]).toEqual([
      ['elbow', { right: 2, asked: 3 }],
      ['post', { right: 0, asked: 1 }],
    ]);
    expect([...knowingByPrinciple([])]).toEqual([]);
  });

  it('counts every answer about a principle once, whatever was answered', () => {
    const answer = fc.record({ principleId: fc.constantFrom('a', 'b', null), choice: fc.nat(2) });
    fc.assert(
      fc.property(fc.array(answer), (chosen) => {
        const known = [...knowingByPrinciple(chosen).values()];
        expect(known.reduce((sum, { asked }) => sum + asked, 0)).toBe(chosen.filter(({ principleId }) => principleId !== null).length);
        for (const { right, asked } of known) expect(right >= 0 && right <= asked && asked > 0).toBe(true);
      }),
    );
  });
});
