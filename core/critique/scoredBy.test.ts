import { describe, expect, it } from 'vitest';
import { scoredBy, type SentScore } from './index.ts';

const side = (points: number, near = 0) => ({ points, near, penalties: 0 });
const scored = (more: Partial<SentScore>): SentScore => ({
  ...{ boutId: 'b', sheet: 'Points, jacket', winner: 'client', decidedBy: 'points', falls: [] },
  score: { client: side(17), partner: side(5, 1) },
  ...more,
});

describe('the line on how it was scored', () => {
  it('names the sheet, the points with the client’s first, and how it was decided', () => {
    expect(scoredBy([scored({})])).toEqual(['Scored by “Points, jacket”: 17 : 5 (1), on points.']);
  });

  it('counts the taps of a round that went on after them, also where no points count', () => {
    const falls = [{ athlete: 'client' }, { athlete: 'partner' }, { athlete: 'client' }] as const;
    expect(scoredBy([scored({ falls })])[0]).toMatch(/; 2 : 1 in taps\.$/);
    expect(scoredBy([scored({ falls, sheet: 'Open mat', decidedBy: 'not-scored' })])).toEqual(['Scored by “Open mat”: 2 : 1 in taps.']);
  });

  it('has a line for each of several bouts by its number, and none for what nothing was scored of', () => {
    expect(scoredBy([scored({}), scored({ decidedBy: 'not-scored' }), scored({})]).map((line) => line.slice(0, 14))).toEqual([
      'Bout 1, scored',
      'Bout 3, scored',
    ]);
  });
});
