import { describe, expect, it } from 'vitest';
import { activityOf } from './activity.ts';
import { cutsOf } from './cuts.ts';
import { frameFeatures, greyBytes, greyHeight, greyWidth, nothingMoves, type PictureEdge } from './frameFeatures.ts';
import { lostAction } from './lostAction.ts';
import { proposeBouts } from './proposeBouts.ts';
import { qualityAdvice } from './qualityAdvice.ts';
import { sharpnessOf } from './sharpness.ts';
import { stretchesAbove } from './stretch.ts';

const secondsAt = (frame: number): number => frame / 10;

/** A textured hall with a bright square at (x, y), the whole seen from `turn` grey pixels further left. */
function picture(x: number, y: number, turn = 0): Uint8Array {
  return Uint8Array.from({ length: greyBytes }, (_, i) => {
    const px = (i % greyWidth) - turn;
    const py = Math.floor(i / greyWidth);
    if (px >= x && px < x + 6 && py >= y && py < y + 6) return 230;
    return 90 + ((px * 7 + py * 13) & 31) + (px % 9 === 0 ? 40 : 0);
  });
}

describe('the features of a frame', () => {
  it('tell the movement of bodies from that of the camera', () => {
    const turned = frameFeatures(picture(30, 15), picture(30, 15, 3));
    expect([turned.shiftX, turned.shiftY]).toEqual([3, 0]);
    expect(turned.motion).toBeLessThan(0.5);
    const moved = frameFeatures(picture(30, 15), picture(36, 15));
    expect([moved.shiftX, moved.shiftY]).toEqual([0, 0]);
    expect(moved.motion).toBeGreaterThan(1);
  });

  it('tell movement at the border from movement in the middle', () => {
    expect(frameFeatures(picture(30, 15), picture(31, 15)).border).toBeLessThan(0.1);
    expect(frameFeatures(picture(30, 0), picture(31, 0)).border).toBeGreaterThan(0.8);
  });

  it('are brightness alone for the first frame, and none for a picture of another size', () => {
    expect(frameFeatures(null, new Uint8Array(greyBytes).fill(80))).toEqual({ ...nothingMoves, brightness: 80 });
    expect(() => frameFeatures(null, new Uint8Array(5))).toThrow(`A grey picture is ${greyWidth * greyHeight} bytes, not 5.`);
  });
});

describe('stretches', () => {
  it('begin at one level and end at a lower one, and short ones are left out', () => {
    const values = [0, 5, 3, 3, 1, 0, 5, 0, 0, 4, 5];
    expect(stretchesAbove(values, { enter: 5, leave: 2, leastSeconds: 0.3 }, secondsAt)).toEqual([{ fromFrame: 1, toFrame: 4 }]);
    expect(stretchesAbove(values, { enter: 5, leave: 2, leastSeconds: 0.05 }, secondsAt).map((s) => s.toFrame)).toEqual([4, 7, 11]);
  });
});

describe('activity', () => {
  const motion = Array.from({ length: 400 }, (_, i) => ((i >= 100 && i < 160) || (i >= 300 && i < 320) ? 4 : 0.1));

  it('is told apart relative to how much moves at all', () => {
    const faint = activityOf(
      motion.map((v) => v / 50),
      secondsAt,
    );
    const strong = activityOf(motion, secondsAt);
    expect(faint.lulls).toEqual(strong.lulls);
    expect(strong.bursts).toHaveLength(2);
    expect(Math.abs(strong.bursts[0]!.fromFrame - 100)).toBeLessThan(4);
  });

  it('is nothing where everything moves alike, or nothing does', () => {
    expect(activityOf(new Float64Array(200), secondsAt)).toMatchObject({ lulls: [], bursts: [] });
    expect(activityOf(new Float64Array(200).fill(3), secondsAt)).toMatchObject({ lulls: [], bursts: [] });
    expect(activityOf([], secondsAt).level).toHaveLength(0);
  });
});

describe('bouts proposed', () => {
  const frames = 3000;
  const table = { times: Array.from({ length: frames }, (_, i) => i / 10), endSeconds: 300 };
  const moving = (...parts: [number, number][]) =>
    activityOf(
      Array.from({ length: frames }, (_, i) => (parts.some(([from, to]) => i / 10 >= from && i / 10 < to && i % 40 < 20) ? 3 : 0.1)),
      secondsAt,
    );

  it('lie between bells, and a rest between two of them is none', () => {
    const bouts = proposeBouts(table, moving([30, 90], [150, 210]), [30, 90, 150, 210]);
    expect(bouts).toEqual([
      { fromFrame: 300, toFrame: 900 },
      { fromFrame: 1500, toFrame: 2100 },
    ]);
  });

  it('are parted by long pauses where no bell is heard', () => {
    const bouts = proposeBouts(table, moving([30, 90], [150, 210]), []);
    // The first burst of each: they move for two seconds of every four.
    expect(bouts.map((b) => Math.round(secondsAt(b.fromFrame)))).toEqual([32, 152]);
  });

  it('do not run on over a cut, and what is left of one in a few seconds is none', () => {
    expect(proposeBouts(table, moving([30, 90]), [30, 90], [600, 880])).toEqual([
      { fromFrame: 300, toFrame: 600 },
      { fromFrame: 600, toFrame: 880 },
    ]);
  });

  it('begin or end at a single bell', () => {
    expect(proposeBouts(table, moving([30, 90]), [25])[0]!.fromFrame).toBe(250);
    expect(proposeBouts(table, moving([30, 90]), [97])[0]!.toFrame).toBe(970);
  });

  it('are the whole footage where nothing is told apart', () => {
    expect(proposeBouts(table, activityOf(new Float64Array(frames), secondsAt), [])).toEqual([{ fromFrame: 0, toFrame: frames }]);
  });
});

describe('lost action and advice', () => {
  const camera = (turns: [frame: number, by: number][]) =>
    Array.from({ length: 300 }, (_, i) => ({
      ...nothingMoves,
      shiftX: turns.filter(([from]) => i >= from && i < from + 12).reduce((sum, [, by]) => sum + by, 0),
      brightness: i < 40 ? 20 : 120,
    }));

  it('are where the camera has turned away, at the edge where the action went out', () => {
    const lost = lostAction(
      camera([
        [100, -5],
        [150, 5],
      ]),
      secondsAt,
    );
    expect(lost).toHaveLength(1);
    expect(lost[0]).toMatchObject({ edge: 'left' });
    expect(lost[0]!.fromFrame).toBeGreaterThan(105);
    expect(lost[0]!.toFrame).toBeLessThan(160);
    expect(
      lostAction(
        camera([
          [100, 5],
          [150, -5],
        ]),
        secondsAt,
      )[0]!.edge,
    ).toBe('right');
  });

  it('are not found where the camera only follows', () => {
    expect(
      lostAction(
        camera([
          [100, 1],
          [150, -1],
        ]),
        secondsAt,
      ),
    ).toEqual([]);
  });

  /** Bodies that move along an edge, or in the middle, or not at all, from each frame on. */
  const standing = (moves: [fromFrame: number, edge: PictureEdge | 'middle' | 'none'][]) =>
    Array.from({ length: 300 }, (_, i) => {
      const where = moves.findLast(([from]) => i >= from)?.[1] ?? 'middle';
      if (where === 'none') return nothingMoves;
      return { ...nothingMoves, motion: 3, ...(where !== 'middle' && { edges: { ...nothingMoves.edges, [where]: 0.95 } }) };
    });

  it('are where bodies left a camera that stands still, until something moves in the middle again', () => {
    const lost = lostAction(
      standing([
        [0, 'middle'],
        [100, 'right'],
        [115, 'none'],
        [180, 'right'],
        [190, 'middle'],
      ]),
      secondsAt,
    );
    expect(lost).toHaveLength(1);
    expect(lost[0]!.edge).toBe('right');
    expect(Math.abs(lost[0]!.fromFrame - 105)).toBeLessThan(8);
    expect(Math.abs(lost[0]!.toFrame - 192)).toBeLessThan(8);
  });

  it('are where bodies are half outside along an edge, and not where they only brush it or rest in the middle', () => {
    expect(
      lostAction(
        standing([
          [100, 'bottom'],
          [140, 'middle'],
        ]),
        secondsAt,
      ),
    ).toMatchObject([{ edge: 'bottom' }]);
    expect(
      lostAction(
        standing([
          [100, 'bottom'],
          [112, 'middle'],
        ]),
        secondsAt,
      ),
    ).toEqual([]);
    expect(
      lostAction(
        standing([
          [100, 'none'],
          [200, 'middle'],
        ]),
        secondsAt,
      ),
    ).toEqual([]);
  });

  it('are put in words with their times, in order', () => {
    const features = camera([
      [100, -5],
      [150, 5],
    ]);
    expect(
      qualityAdvice({ features, lost: lostAction(features, secondsAt), cuts: [], sharpness: [] }, secondsAt).map((a) => a.words),
    ).toEqual([
      'It is too dark to see hands and grips from 0:00 to 0:04. Film from the side where the light is.',
      expect.stringMatching(/^The action leaves the picture on the left from 0:1\d to 0:1\d\. /),
    ]);
  });
});

describe('cuts', () => {
  const motion = (...at: [frame: number, motion: number][]) =>
    Array.from({ length: 100 }, (_, i) => ({ motion: at.find(([frame]) => frame === i)?.[1] ?? 1 + (i % 3) }));

  it('are single frames in which everything changes', () => {
    expect(cutsOf(motion([40, 45], [70, 30]))).toEqual([40, 70]);
  });

  it('are not fast movements, which last for several frames, nor small changes', () => {
    expect(cutsOf(motion([40, 20], [41, 22], [42, 25], [43, 21], [44, 18], [45, 18]))).toEqual([]);
    expect(cutsOf(motion([40, 12]))).toEqual([]);
    expect(cutsOf([])).toEqual([]);
  });
});

describe('sharpness', () => {
  const [width, height] = [64, 48];
  const stripes = (period: number, contrast = 60): Uint8Array =>
    Uint8Array.from({ length: width * height }, (_, i) => 128 + contrast * Math.sin((2 * Math.PI * (i % width)) / period));

  it('falls with detail and does not depend on contrast', () => {
    const [fine, middle, coarse] = [4, 12, 40].map((period) => sharpnessOf(stripes(period), width, height)) as [number, number, number];
    expect(fine).toBeGreaterThan(middle * 3);
    expect(middle).toBeGreaterThan(coarse * 3);
    expect(sharpnessOf(stripes(12, 30), width, height)).toBeCloseTo(middle, 1);
    expect(sharpnessOf(new Uint8Array(width * height).fill(90), width, height)).toBe(0);
  });

  it('is advised on where the picture is blurred for seconds, but not where it is only dark', () => {
    const blurredFrom = (brightness: number) =>
      qualityAdvice(
        {
          features: Array.from({ length: 300 }, () => ({ brightness })),
          lost: [],
          cuts: [250],
          sharpness: Array.from({ length: 60 }, (_, i) => ({ frame: i * 5, sharpness: i >= 20 && i < 40 ? 0.1 : 0.7 })),
        },
        secondsAt,
      ).map((a) => a.words);
    expect(blurredFrom(120)).toEqual([
      'The picture is blurred from 0:10 to 0:20. Wipe the lens, and tap the athletes on the screen before you record.',
      'The recording is cut at 0:25. Send rounds whole: what led up to a moment is half of it.',
    ]);
    expect(blurredFrom(30).join(' ')).not.toContain('blurred');
  });
});
