import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { forkFacts, forkFault, forkFrom, forksTaken, forksTakenText, forkText, isForkTaken, type Fork } from './index.ts';

const secondsAt = (frame: number): number => frame / 30;
const fork = (more: Partial<Fork> = {}): Fork => ({
  ...{ opensFrame: 30, lastFrame: 57, actedFrame: 48 },
  options: [
    { do: 'frame at the hip', taken: true },
    { do: 'reach for the neck', taken: false },
  ],
  ...more,
});
const note = { fromFrame: 102 };

describe('a fork', () => {
  it('says how long it was open, how long before the mistake, and how fast somebody acted', () => {
    const facts = forkFacts(fork(), note, secondsAt);
    expect(facts).toMatchObject({ taken: true });
    expect(forkText(facts)).toBe('Open for 0.9 s, 2.4 s before this; acted after 0.6 s: taken.');
    expect(forkText(forkFacts(fork({ actedFrame: null }), note, secondsAt))).toBe('Open for 0.9 s, 2.4 s before this; nobody acted.');
  });

  it('is taken only by the way that stands first, and while there was time', () => {
    expect(isForkTaken(fork())).toBe(true);
    expect(isForkTaken(fork({ actedFrame: 58 }))).toBe(false);
    expect(isForkTaken(fork({ actedFrame: null }))).toBe(false);
    expect(isForkTaken(fork({ options: [...fork().options].reverse() }))).toBe(false);
  });

  it('begins with what the note says to do instead, before the note', () => {
    const begun = forkFrom(200, {
      fromFrame: 102,
      what: 'The elbow leaves.',
      instead: [{ do: 'frame' }, { do: 'hip out' }, { do: 'turn' }],
    });
    expect(begun).toMatchObject({ opensFrame: 102, lastFrame: 102, actedFrame: null });
    expect(begun.options.map(({ do: what, taken }) => [what, taken])).toEqual([
      ['frame', false],
      ['hip out', false],
      ['The elbow leaves.', true],
    ]);
  });

  it('is refused where it runs backwards, or where two ways were taken', () => {
    expect(forkFault(fork(), note)).toBeNull();
    expect(forkFault(fork({ lastFrame: 20 }), note)).toContain('last chance');
    expect(forkFault(fork({ opensFrame: 110, lastFrame: 120, actedFrame: null }), note)).toContain('opens before');
    expect(forkFault(fork({ actedFrame: 20 }), note)).toContain('before the fork opens');
    expect(forkFault(fork({ options: fork().options.map((one) => ({ ...one, taken: true })) }), note)).toContain('Only one');
  });
});

describe('forks over months', () => {
  const seen = (taken: boolean, sentAt: string, fixSentAt: string | null = null) => ({
    fork: fork(taken ? {} : { actedFrame: null }),
    sentAt,
    fixSentAt,
  });
  it('are told as taken of all, and against what it was before the fix', () => {
    const fix = '2031-03-01';
    const all = [
      seen(false, '2031-01-01', fix),
      seen(false, '2031-02-01', fix),
      seen(true, '2031-04-01', fix),
      seen(false, '2031-05-01', fix),
    ];
    expect(forksTakenText(forksTaken(all))).toBe('taken 1 of 2, was 0 of 2');
    expect(forksTakenText(forksTaken(all.slice(0, 2)))).toBe('taken 0 of 2 before the fix, none seen since');
    expect(forksTakenText(forksTaken([seen(true, '2031-01-01')]))).toBe('taken 1 of 1');
    expect(forksTakenText(forksTaken([]))).toBe('');
  });

  it('are each counted once, before or since', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ taken: fc.boolean(), day: fc.integer({ min: 10, max: 28 }) })), (days) => {
        const { taken, all, before } = forksTaken(days.map((one) => seen(one.taken, `2031-01-${one.day}`, '2031-01-20')));
        expect(all + (before?.all ?? 0)).toBe(days.length);
        expect(taken + (before?.taken ?? 0)).toBe(days.filter((one) => one.taken).length);
      }),
    );
  });
});
