import { describe, expect, it } from 'vitest';
import { principleCounts } from './principleCounts.ts';

const before = (id: string, requestId: string, fixSentAt: string | null = null, principleId: string | null = 'p') => ({
  id,
  requestId,
  principleId,
  fix: fixSentAt ? { position: 1, sentAt: fixSentAt } : null,
});

describe('how often a principle came up', () => {
  const counts = principleCounts('p', {
    notes: [
      { id: 'a', principleId: 'p', bout: 1 },
      { id: 'b', principleId: 'p', bout: 2 },
      { id: 'c', principleId: null, bout: 1 },
    ],
    inBout: (note) => note.bout === 1,
    earlier: [before('x', 'r1', '2031-01-03'), before('y', 'r1'), before('z', 'r2', '2031-02-03'), before('q', 'r3', null, 'other')],
  });

  it('is counted in the bout, in the request, and in how many requests before', () => {
    expect(counts.here.map(({ id }) => id)).toEqual(['a']);
    expect(counts.inRequest.map(({ id }) => id)).toEqual(['a', 'b']);
    expect([counts.before.length, counts.requests]).toEqual([3, 2]);
  });

  it('tells the fixes it was, the last one first', () => {
    expect(counts.fixes.map(({ sentAt }) => sentAt)).toEqual(['2031-02-03', '2031-01-03']);
  });
});
