import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawsFrom } from '../statistics/index.ts';
import { calmAndQuick, motionRatioText, type MovedAt } from './calmAndQuick.ts';
import { boutOf } from './testing/boutOf.ts';

const bout = boutOf([
  ['mount', 'client', 40],
  ['standing', null, 20],
  ['mount', 'partner', 40],
]);
/** Ten samples a second of movement by second. */
const moved = (of: (at: number) => number): MovedAt[] => Array.from({ length: 1000 }, (_, i) => ({ at: i / 10, motion: of(i / 10) }));

describe('calm in control, quick in danger', () => {
  it('is how much more moves in danger than in control, and late than early', () => {
    const { dangerToControl, lateToEarly } = calmAndQuick(
      bout,
      moved((at) => (at >= 60 ? 0.4 : 0.2)),
    );
    expect(dangerToControl).toMatchObject({ blocks: [8, 8] });
    expect(dangerToControl!.ratio).toBeCloseTo(2, 6);
    // Without any doubt in the movement itself there is none in the ratio.
    expect(dangerToControl!.high - dangerToControl!.low).toBeCloseTo(0, 6);
    expect(lateToEarly!.ratio).toBeCloseTo(2 ** 0.8, 6);
    expect(motionRatioText(dangerToControl)).toBe('2.0 times (2.0 to 2.0)');
  });

  it('says nothing where either was too short, and leaves out what no bout covers and what was stopped', () => {
    const short = boutOf([
      ['mount', 'client', 12],
      ['mount', 'partner', 80],
    ]);
    expect(
      calmAndQuick(
        short,
        moved(() => 0.2),
      ).dangerToControl,
    ).toBeNull();
    expect(motionRatioText(null)).toBe('too little to tell');
    const stopped = {
      ...bout,
      events: [
        { kind: 'stoppage' as const, at: 0 },
        { kind: 'restart' as const, at: 38 },
      ],
    };
    const loud = calmAndQuick(
      stopped,
      moved((at) => (at < 38 ? 1 : 0.2)),
    );
    expect(loud.dangerToControl).toBeNull();
    expect(loud.lateToEarly!.ratio).toBeCloseTo(1, 6);
  });

  it('does not depend on the camera: a common factor on all movement changes nothing', () => {
    fc.assert(
      fc.property(fc.integer(), fc.double({ min: 0.2, max: 3, noNaN: true }), (seed, factor) => {
        const draws = drawsFrom(seed);
        const some = moved(() => 0.05 + 0.2 * draws.uniform());
        const of = (all: MovedAt[]) => calmAndQuick(bout, all).dangerToControl!;
        const more = of(some.map((one) => ({ ...one, motion: one.motion * factor })));
        expect(more.ratio).toBeCloseTo(of(some).ratio, 6);
        expect(more.low).toBeLessThanOrEqual(more.ratio);
        expect(more.high).toBeGreaterThanOrEqual(more.ratio);
      }),
      { numRuns: 20 },
    );
  });

  it('holds no difference for one, in about nine of ten rounds in which there is none', () => {
    let kept = 0;
    for (let seed = 0; seed < 200; seed++) {
      const draws = drawsFrom(seed);
      const levels = Array.from({ length: 20 }, () => Math.exp(0.5 * draws.normal()) * 0.1);
      const { low, high } = calmAndQuick(
        bout,
        moved((at) => levels[Math.floor(at / 5)]!),
      ).dangerToControl!;
      kept += Number(low <= 1 && 1 <= high);
    }
    expect(kept / 200).toBeGreaterThan(0.85);
    expect(kept / 200).toBeLessThan(0.98);
  });
});
