import { bout as boutSchema, type Bout } from '@lean-mentor/contract';
import { describe, expect, it } from 'vitest';
import { boutAdded, boutChanged, boutMoved, boutSplit, withBouts } from './editedBouts.ts';

const id = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const bout = (n: number, fromFrame: number, toFrame: number, proposed = false): Bout => ({
  ...boutSchema.parse({ id: id(n), fromFrame, toFrame, spans: [], order: n }),
  proposed,
});
const day = { a: [bout(1, 0, 100), bout(2, 100, 200, true)], b: [bout(3, 0, 50)] };
const orders = (of: Readonly<Record<string, readonly Bout[]>>) =>
  Object.fromEntries(Object.entries(of).map(([footage, list]) => [footage, list.map(({ order }) => order)]));

describe('bouts of a day', () => {
  it('changed in one footage name that footage alone', () => {
    expect(Object.keys(boutMoved(day, 'a', id(1), 10, 90))).toEqual(['a']);
    expect(boutMoved(day, 'a', id(1), 10, 90)['a']![0]).toMatchObject({ fromFrame: 10, toFrame: 90 });
  });

  it('are accepted by whoever changes one that was proposed', () => {
    expect(boutChanged(day, 'a', id(2), (one) => ({ ...one, mat: '3' }) as Bout)['a']![1]!.proposed).toBe(false);
  });

  it('are numbered anew over all footages when one is added, split or taken away', () => {
    const added = boutAdded(day, 'a', { fromFrame: 200, toFrame: 300 }, id(9));
    expect(orders(added)).toEqual({ a: [1, 2, 4], b: [3] });
    const split = boutSplit(day, 'a', id(1), 40, id(8));
    expect([split['a']!.map(({ fromFrame }) => fromFrame), Object.values(orders(split)).flat().sort()]).toEqual([
      [0, 40, 100],
      [1, 2, 3, 4],
    ]);
    expect(orders(withBouts(day, 'a', [day.a[1]!]))).toEqual({ a: [1], b: [2] });
  });

  it('are left as they are where a split would be at an edge', () => {
    expect(boutSplit(day, 'a', id(1), 0, id(8))['a']).toEqual(day.a);
  });
});
