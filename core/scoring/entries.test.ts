import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { byHowItEnded, endedBetter, entriesInto } from './entries.ts';
import { boutOf } from './testing/boutOf.ts';
import { randomBout } from './testing/randomBout.ts';
import { sideNames } from './placeWords.ts';

const half = { position: 'half-guard' as const, holder: 'partner' as const, name: null };
const one = boutOf(
  [
    ['standing', null, 10],
    ['half-guard', 'partner', 10],
    ['side-control', 'partner', 10],
    ['half-guard', 'partner', 10],
    ['half-guard', 'client', 20],
    ['half-guard', 'partner', 40],
  ],
  [{ kind: 'finish', athlete: 'partner', technique: 'armlock', at: 99 }],
);

describe('every time they were here', () => {
  it('is each stay in the position with the same one on top, with what came next', () => {
    const found = entriesInto([one], half, sideNames);
    expect(found.map(({ from, to, half: part, ended, change, tap }) => [from, to, part, ended, change, tap])).toEqual([
      [10, 20, 'first', 'Side control, Partner in control', -35, null],
      [30, 40, 'first', 'Partner’s half guard', 40, null],
      [60, 100, 'second', 'a tap by partner', null, 'partner'],
    ]);
    expect(byHowItEnded(found).map(({ from }) => from)).toEqual([60, 10, 30]);
    expect(endedBetter(found)).toEqual({ better: 1, of: 3 });
  });

  it('is one stay where it was parted only to say more of it, and by name only what was called so', () => {
    const parted = {
      ...one,
      spans: [
        one.spans[0]!,
        { ...one.spans[1]!, to: 14, name: 'crossed-leg half guard' },
        { ...one.spans[1]!, from: 14, name: 'Lockdown', posture: { top: 'knees' as const } },
        ...one.spans.slice(2),
      ],
    };
    expect(entriesInto([parted], half, sideNames)[0]).toMatchObject({ from: 10, to: 20 });
    expect(entriesInto([parted], { ...half, name: 'Lockdown' }, sideNames).map(({ from, to }) => [from, to])).toEqual([[10, 20]]);
    expect(entriesInto([one], { ...half, name: 'Lockdown' }, sideNames)).toEqual([]);
  });

  it('ends with the bout where nothing came after it', () => {
    const [last] = entriesInto([boutOf([['mount', 'client', 5]])], { position: 'mount', holder: 'client', name: null }, sideNames);
    expect(last).toMatchObject({ change: null, tap: null, ended: 'the end of the bout' });
    expect(endedBetter([last!])).toEqual({ better: 0, of: 0 });
  });

  it('covers, over any bouts, just the time that was spent there, in stays that never touch', () => {
    fc.assert(
      fc.property(fc.integer(), (seed) => {
        const bouts = [randomBout(seed), randomBout(seed + 1)];
        for (const { position, holder } of bouts[0]!.spans) {
          const found = entriesInto(bouts, { position, holder, name: null }, sideNames);
          const spent = bouts.flatMap(({ spans }) => spans).filter((span) => span.position === position && span.holder === holder);
          expect(found.reduce((sum, { from, to }) => sum + to - from, 0)).toBeCloseTo(
            spent.reduce((sum, { from, to }) => sum + to - from, 0),
            6,
          );
          for (let i = 1; i < found.length; i++)
            if (found[i]!.bout === found[i - 1]!.bout) expect(found[i]!.from).toBeGreaterThan(found[i - 1]!.to - 1e-9);
        }
      }),
      { numRuns: 60 },
    );
  });
});
