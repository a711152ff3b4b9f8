import { describe, expect, it } from 'vitest';
import { jointAngle } from './angle.ts';

/** Mulberry32: a small seeded generator. */
const seeded = (seed: number) => () => {
  seed = (seed + 0x6d2b79f5) | 0;
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
};

describe('the angle at a joint', () => {
  it('is a right angle between across and down, 180° along a line, 0° folded', () => {
    const joint = { x: 0, y: 0 };
    expect(jointAngle([{ x: 100, y: 0 }, joint, { x: 0, y: 100 }]).degrees).toBeCloseTo(90, 9);
    expect(jointAngle([{ x: 100, y: 0 }, joint, { x: -50, y: 0 }]).degrees).toBeCloseTo(180, 9);
    expect(jointAngle([{ x: 100, y: 0 }, joint, { x: 30, y: 0 }]).degrees).toBeCloseTo(0, 9);
  });

  it('is uncertain by 4.5° with limbs of 100 px, and twice as much with limbs of 50', () => {
    const at = (length: number) =>
      jointAngle(
        [
          { x: length, y: 0 },
          { x: 0, y: 0 },
          { x: 0, y: length },
        ],
        2,
      ).plusMinus;
    expect(at(100)).toBeCloseTo(1.96 * 2 * 2 * 0.01 * (180 / Math.PI), 6);
    expect(at(50) / at(100)).toBeCloseTo(2, 9);
  });

  it('holds within its ± in 95 of 100 cases of a hand that shakes by 2 px (seed 11)', () => {
    const random = seeded(11);
    const normal = () => Math.sqrt(-2 * Math.log(random() || 1e-12)) * Math.cos(2 * Math.PI * random());
    const truth = [
      { x: 520, y: 300 },
      { x: 600, y: 380 },
      { x: 720, y: 350 },
    ] as const;
    const { degrees, plusMinus } = jointAngle(truth, 2);
    let inside = 0;
    for (let i = 0; i < 4000; i++) {
      const shaken = truth.map(({ x, y }) => ({ x: x + 2 * normal(), y: y + 2 * normal() }));
      if (Math.abs(jointAngle([shaken[0]!, shaken[1]!, shaken[2]!]).degrees - degrees) <= plusMinus) inside += 1;
    }
    expect(inside / 4000).toBeGreaterThan(0.935);
    expect(inside / 4000).toBeLessThan(0.965);
  });

  it('says nothing when two dots lie on each other', () => {
    expect(
      jointAngle([
        { x: 1, y: 1 },
        { x: 1, y: 1 },
        { x: 5, y: 5 },
      ]),
    ).toEqual({ degrees: 0, plusMinus: 180 });
  });
});
