import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fanMargin, type MarginItem } from './fanMargin.ts';

const item = (id: string, anchor: number, height = 50): MarginItem => ({ id, anchor, height });

describe('notes in the margin', () => {
  it('stand level with their instants where there is room', () => {
    expect([...fanMargin([item('a', 100), item('b', 300)], 4, 600)]).toEqual([
      ['a', 75],
      ['b', 275],
    ]);
  });

  it('fan apart evenly around the place where they crowd', () => {
    const tops = fanMargin([item('a', 300), item('b', 300), item('c', 300)], 0, 900);
    expect([tops.get('a'), tops.get('b'), tops.get('c')]).toEqual([225, 275, 325]);
  });

  it('keep the order of their instants, whatever order they are given in', () => {
    const tops = fanMargin([item('late', 310), item('early', 300)], 4, 600);
    expect(tops.get('early')!).toBeLessThan(tops.get('late')!);
  });

  it('stay on the page at both ends', () => {
    const tops = fanMargin([item('first', 2), item('last', 599)], 4, 600);
    expect([tops.get('first'), tops.get('last')]).toEqual([0, 550]);
  });

  it('never overlap, and stay on the page if they fit on it (seed 5)', () => {
    const notes = fc.array(fc.record({ anchor: fc.integer({ min: 0, max: 600 }), height: fc.integer({ min: 10, max: 60 }) }), {
      maxLength: 20,
    });
    fc.assert(
      fc.property(notes, (given) => {
        const items = given.map((g, i) => ({ id: String(i), ...g }));
        const tops = fanMargin(items, 3, 600);
        const placed = items.map((i) => ({ top: tops.get(i.id)!, bottom: tops.get(i.id)! + i.height })).sort((a, b) => a.top - b.top);
        for (let i = 1; i < placed.length; i++) expect(placed[i]!.top - placed[i - 1]!.bottom).toBeGreaterThanOrEqual(3 - 1e-9);
        const needed = items.reduce((sum, i) => sum + i.height + 3, -3);
        if (placed.length > 0) expect(placed[0]!.top).toBeGreaterThanOrEqual(0);
        if (placed.length > 0 && needed <= 600) expect(placed.at(-1)!.bottom).toBeLessThanOrEqual(600 + 1e-9);
      }),
      { seed: 5, numRuns: 150 },
    );
  });
});
