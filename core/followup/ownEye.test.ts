import { describe, expect, it } from 'vitest';
import { eyeCounts, eyeTrend, ownEye } from './ownEye.ts';

const mark = (id: string, atSeconds: number, began = false) => ({ id, footageId: 'f', atSeconds, began });
const moment = (id: string, atSeconds: number, kind: 'mistake' | 'good' = 'mistake', footageId = 'f') => ({
  ...{ id, footageId, atSeconds, kind, athlete: 'client' as const },
});

describe('the client’s own eye', () => {
  it('agrees within two seconds of a mistake that was sent; what only one of them marked is said as that', () => {
    const eye = ownEye([mark('a', 10), mark('b', 40)], [moment('m', 12), moment('n', 60), moment('g', 40, 'good')], []);
    expect(eye).toEqual({ agreed: [{ markId: 'a', noteId: 'm' }], notShared: ['b'], notSeen: ['n'], began: null });
    expect(eyeCounts(eye)).toEqual({ successes: 1, chances: 3 });
    expect(ownEye([mark('a', 10)], [moment('m', 12.1)], []).agreed).toEqual([]);
    expect(ownEye([mark('a', 10)], [moment('m', 10, 'mistake', 'other')], []).agreed).toEqual([]);
  });

  it('guesses where it began: agreed where the first fix has a moment there', () => {
    const moments = [moment('m', 12), moment('n', 60)];
    expect(ownEye([mark('a', 11, true)], moments, ['m']).began).toBe('agreed');
    expect(ownEye([mark('a', 60, true)], moments, ['m']).began).toBe('elsewhere');
    expect(ownEye([mark('a', 30, true)], moments, ['m']).began).toBe('elsewhere');
  });

  it('gets closer where a trend over the critiques says so, and not before two of them', () => {
    const counts = [0, 1, 3, 5, 6].map((successes) => ({ successes, chances: 6 }));
    expect(eyeTrend(counts)!.verdict).toBe('better');
    expect(eyeTrend(counts.slice(0, 1))).toBeNull();
    expect(eyeTrend([{ successes: 0, chances: 0 }, counts[0]!])).toBeNull();
    expect(eyeTrend(counts.slice(0, 2))!.verdict).toBe('too-little');
  });
});
