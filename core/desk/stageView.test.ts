import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pannedBy, pinched, wholePicture, zoomedAt, type StageView } from './stageView.ts';

const share = fc.double({ min: 0, max: 1, noNaN: true });
/** The spot of the picture that stands at a point of the stage. */
const spotAt = ({ zoom, x, y }: StageView, at: { x: number; y: number }) => ({ x: x + at.x / zoom, y: y + at.y / zoom });

describe('the view on the stage', () => {
  it('enlarges about a spot, which stays where it is', () => {
    const at = { x: 0.7, y: 0.4 };
    const view = zoomedAt(zoomedAt(wholePicture, at, 2), at, 1.5);
    expect(view.zoom).toBe(3);
    expect(spotAt(view, at).x).toBeCloseTo(0.7);
    expect(spotAt(view, at).y).toBeCloseTo(0.4);
  });

  it('is moved as far as the picture goes', () => {
    const view = zoomedAt(wholePicture, { x: 0.5, y: 0.5 }, 4);
    expect(pannedBy(view, { x: 0.2, y: 0 })).toEqual({ zoom: 4, x: 0.375 - 0.05, y: 0.375 });
    expect(pannedBy(view, { x: 9, y: -9 })).toEqual({ zoom: 4, x: 0, y: 0.75 });
    expect(pannedBy(wholePicture, { x: 0.3, y: 0.3 })).toEqual(wholePicture);
  });

  it('follows two fingers: both spots stay under them', () => {
    const before = [
      { x: 0.4, y: 0.4 },
      { x: 0.6, y: 0.6 },
    ] as const;
    const now = [
      { x: 0.3, y: 0.35 },
      { x: 0.7, y: 0.75 },
    ] as const;
    const view = pinched(wholePicture, before, now);
    expect(view.zoom).toBeCloseTo(2);
    for (const i of [0, 1] as const) {
      expect(spotAt(view, now[i]).x).toBeCloseTo(before[i].x);
      expect(spotAt(view, now[i]).y).toBeCloseTo(before[i].y);
    }
  });

  it('never shows anything beside the picture, whatever is done to it', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(share, share, fc.double({ min: 0.2, max: 5, noNaN: true })), { maxLength: 12 }), (moves) => {
        let view = wholePicture;
        for (const [x, y, factor] of moves) view = pannedBy(zoomedAt(view, { x, y }, factor), { x: x - 0.5, y: y - 0.5 });
        expect(view.zoom).toBeGreaterThanOrEqual(1);
        expect(view.zoom).toBeLessThanOrEqual(8);
        for (const corner of [view.x, view.y]) {
          expect(corner).toBeGreaterThanOrEqual(0);
          expect(corner + 1 / view.zoom).toBeLessThanOrEqual(1 + 1e-9);
        }
      }),
      { seed: 8, numRuns: 200 },
    );
  });
});
