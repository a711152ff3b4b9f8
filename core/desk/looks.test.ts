import { describe, expect, it } from 'vitest';
import { deskProgress, lookedShare, looksBack } from './looks.ts';

const look = (fromFrame: number, toFrame: number) => ({ fromFrame, toFrame });

describe('looks back', () => {
  it('are counted for each stretch after the first look at it', () => {
    const looks = [look(0, 100), look(40, 60), look(40, 52)];
    expect(looksBack(looks, look(0, 100), 10)).toEqual([0, 0, 0, 0, 2, 1, 0, 0, 0, 0]);
  });

  it('outside the bout count for nothing', () => {
    expect(looksBack([look(-50, 10), look(95, 400)], look(0, 100), 4)).toEqual([0, 0, 0, 0]);
    expect(looksBack([look(0, 5)], look(7, 7), 3)).toEqual([0, 0, 0]);
  });
});

describe('how far the first look has come', () => {
  it('is the share seen at least once, whatever was seen twice', () => {
    expect(lookedShare([look(50, 80), look(0, 60), look(10, 20)], look(0, 100))).toBeCloseTo(0.8, 9);
    expect(lookedShare([], look(0, 100))).toBe(0);
    expect(lookedShare([look(0, 500)], look(100, 200))).toBe(1);
  });

  it('stands beside what is left of the marks', () => {
    const marks = [{ state: 'open' }, { state: 'noted' }, { state: 'let-go' }] as const;
    expect(deskProgress([], marks, look(0, 10))).toEqual({ firstShare: 0, open: 1, settled: 2 });
  });
});
