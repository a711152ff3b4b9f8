import { describe, expect, it } from 'vitest';
import { leanOfSpan, positionCodes, positionFamily, tilingFault, type Span } from './position.ts';

const span = (position: Span['position'], holder: Span['holder'], fromFrame: number, toFrame: number): Span => ({
  position,
  holder,
  fromFrame,
  toFrame,
});

describe('lean', () => {
  it('is the position’s value, towards whoever holds it', () => {
    expect(leanOfSpan({ position: 'mount', holder: 'client' })).toBe(80);
    expect(leanOfSpan({ position: 'mount', holder: 'partner' })).toBe(-80);
    expect(leanOfSpan({ position: 'closed-guard', holder: 'partner' })).toBe(5);
    expect(leanOfSpan({ position: 'standing', holder: null })).toBe(0);
  });

  it('lies between −100 and 100 for every position and is 0 for the neutral ones', () => {
    for (const position of positionCodes) {
      const lean = leanOfSpan({ position, holder: 'client' });
      expect(Math.abs(lean)).toBeLessThanOrEqual(100);
      if (positionFamily(position) === 'neutral') expect(lean).toBe(0);
    }
  });
});

describe('spans', () => {
  const good = [span('standing', null, 10, 40), span('half-guard', 'client', 40, 90)];

  it('tile the bout', () => {
    expect(tilingFault(good, 10, 90)).toBeNull();
    expect(tilingFault([], 10, 90)).toBeNull();
  });

  it.each([
    ['a gap', [good[0]!, span('mount', 'client', 41, 90)], 'spans[1] starts at frame 41; frame 40 is expected.'],
    ['an overlap', [good[0]!, span('mount', 'client', 39, 90)], 'spans[1] starts at frame 39; frame 40 is expected.'],
    ['an empty one', [span('standing', null, 10, 10), good[1]!], 'spans[0] ends at frame 10, not after its start 10.'],
    ['an early end', [good[0]!], 'The spans end at frame 40; the bout ends at 90.'],
  ])('with %s are told where', (_, spans, words) => {
    expect(tilingFault(spans, 10, 90)).toBe(words);
  });
});
