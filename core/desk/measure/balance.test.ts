import { describe, expect, it } from 'vitest';
import { balanceCheck, bodyWeight } from './balance.ts';
import { convexHull, depthInHull } from './convexHull.ts';
import { through } from './matPlane.ts';

/** A body standing upright, 200 px tall, feet at x = 90 and 110. */
const standing = {
  head: { x: 100, y: 20 }, shoulderLeft: { x: 90, y: 50 }, shoulderRight: { x: 110, y: 50 }, elbowLeft: { x: 88, y: 85 }, elbowRight: { x: 112, y: 85 },
  wristLeft: { x: 88, y: 115 }, wristRight: { x: 112, y: 115 }, hipLeft: { x: 93, y: 110 }, hipRight: { x: 107, y: 110 }, kneeLeft: { x: 92, y: 155 },
  kneeRight: { x: 108, y: 155 }, ankleLeft: { x: 90, y: 195 }, ankleRight: { x: 110, y: 195 }, toeLeft: { x: 90, y: 200 }, toeRight: { x: 110, y: 200 },
}; // prettier-ignore
const feet = [standing.toeLeft, standing.toeRight];

describe('the weight of a body', () => {
  it('of one that stands upright lies in the middle, a little above the hips', () => {
    const { weight, covered } = bodyWeight(standing)!;
    expect(weight.x).toBeCloseTo(100, 6);
    expect(weight.y).toBeGreaterThan(85);
    expect(weight.y).toBeLessThan(112);
    // The shares of de Leva's table come to the whole body, to a thousandth.
    expect(covered).toBeCloseTo(1, 2);
  });

  it('worked by hand for a trunk and a head: (0.435 · 0.431 of the way + 0.069 · head) ÷ 0.504', () => {
    const trunk = { head: { x: 0, y: 0 }, shoulderLeft: { x: 0, y: 30 }, hipLeft: { x: 0, y: 130 } };
    expect(bodyWeight(trunk)!.weight.y).toBeCloseTo((0.435 * (30 + 43.1) + 0) / 0.504, 9);
  });

  it('leaves out what is hidden and makes the shares whole again', () => {
    const { kneeLeft: _k, ankleLeft: _a, toeLeft: _t, ...half } = standing;
    const { covered } = bodyWeight(half)!;
    expect(covered).toBeCloseTo(1 - 0.142 - 0.043 - 0.014, 2);
    expect(bodyWeight({})).toBeNull();
  });
});

describe('the balance check', () => {
  it('finds an upright body in the middle of its base', () => {
    const balance = balanceCheck(standing, feet, 300, null)!;
    expect(balance.marginPercent).toBeCloseTo(50, 6);
    expect(balance.confidence).toBe('good');
    expect(balance.plumb.y).toBeCloseTo(200, 6);
  });

  it('says to which side one tips, and that the weight is past the edge', () => {
    const leaning = Object.fromEntries(Object.entries(standing).map(([joint, { x, y }]) => [joint, { x: x + (200 - y) * 0.3, y }]));
    const balance = balanceCheck(leaning, feet, 300, null)!;
    expect(balance.tips).toBe('right');
    expect(balance.marginPercent).toBeLessThan(0);
  });

  it('follows a base that does not lie level in the picture', () => {
    const slope = [
      { x: 80, y: 190 },
      { x: 120, y: 210 },
    ];
    expect(balanceCheck(standing, slope, 300, null)!.plumb.y).toBeCloseTo(200, 6);
  });

  it('trusts few dots less', () => {
    expect(
      balanceCheck({ head: standing.head, shoulderLeft: standing.shoulderLeft, hipLeft: standing.hipLeft }, feet, 300, null)!.confidence,
    ).toBe('poor');
  });

  it('needs two contacts apart from each other', () => {
    expect(balanceCheck(standing, [standing.toeLeft], 300, null)).toBeNull();
    expect(balanceCheck(standing, [standing.toeLeft, standing.toeLeft], 300, null)).toBeNull();
  });

  it('with the mat’s plane is taken inside the contacts’ hull on the mat', () => {
    const camera = [100, 0, 0, 0, 60, 100, 0, 0.1, 1];
    const toMat = (pixel: { x: number; y: number }) => pixel;
    const contacts = [
      { x: 0.8, y: 0.5 },
      { x: 1.2, y: 0.5 },
      { x: 1, y: 1.5 },
    ].map((spot) => through(camera, spot));
    const flat = balanceCheck(standing, contacts, 300, null)!;
    const calibrated = balanceCheck(standing, contacts, 300, [0.01, 0, 0, 0, 0.0166667, -1.66667, 0, 0, 1])!;
    expect(toMat(flat.plumb)).toEqual(calibrated.plumb);
    expect(calibrated.marginPercent).not.toBeCloseTo(flat.marginPercent, 1);
    expect(calibrated.marginPercent).toBeLessThan(50);
  });
});

describe('a convex hull', () => {
  it('of a square with points inside and on its edges is its four corners', () => {
    const square = [[0, 0], [2, 0], [2, 2], [0, 2], [1, 1], [1, 0], [0, 1]].map(([x, y]) => ({ x: x!, y: y! })); // prettier-ignore
    expect(convexHull(square)).toEqual([
      { x: 0, y: 0 },
      { x: 2, y: 0 },
      { x: 2, y: 2 },
      { x: 0, y: 2 },
    ]);
    expect(depthInHull(convexHull(square), { x: 1, y: 0.5 })).toEqual({ depth: 0.5, breadth: 2 });
    expect(depthInHull(convexHull(square), { x: 1, y: -0.5 }).depth).toBe(-0.5);
  });
});
