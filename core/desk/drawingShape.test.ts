import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawingTools, type Drawing } from './drawing.ts';
import { drawingShape, handlesOf, type Shaped } from './drawingShape.ts';
import { drawingPaints, drawingsSvg, type WordsPath } from './drawingsSvg.ts';

const at = (...points: [number, number][]): Drawing['points'] => points.map(([x, y]) => ({ x, y }));
const drawing = (tool: Drawing['tool'], ...points: [number, number][]): Shaped & Pick<Drawing, 'colour'> => ({
  tool,
  points: at(...points),
  weight: 'plain',
  words: 'elbow',
  colour: 'partner',
});
const arrow = drawing('arrow', [0.1, 0.5], [0.9, 0.5]);
const path = (shaped: Shaped, width = 1000, height = 500): string =>
  drawingShape(shaped, width, height)
    .parts.map((part) => part.path)
    .join('');
const words: WordsPath = (text, size) => ({ path: `M0 0h${text.length * size}`, width: text.length * size });
const numbers = (text: string): number[] => (text.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

describe('the shape of a drawing', () => {
  it('is the same picture at any size, whatever the tool (seed 9)', () => {
    const spot = fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }));
    fc.assert(
      fc.property(fc.constantFrom(...drawingTools), fc.array(spot, { minLength: 3, maxLength: 6 }), (tool, points) => {
        const shaped = drawing(tool, ...points);
        const [small, large] = [numbers(path(shaped, 640, 360)), numbers(path(shaped, 1280, 720))];
        // The flags of an arc stay, all else doubles.
        small.forEach((value, i) => expect([value, value * 2].some((v) => Math.abs(v - large[i]!) < 0.06)).toBe(true));
      }),
      { seed: 9, numRuns: 60 },
    );
  });

  it('of an arrow runs from tail to tip and has its head at the tip', () => {
    expect(path(arrow)).toMatch(/^M100 250L900 250M.*L900 250L/);
  });

  it('of a short arrow keeps a head of at most half its length', () => {
    const barbX = Number(
      path(drawing('arrow', [0.5, 0.5], [0.51, 0.5]))
        .split('M')[2]
        ?.split(' ')[0],
    );
    expect(barbX).toBeGreaterThanOrEqual(505);
  });

  it('of a bent arrow points the way its path ends', () => {
    const bent = path(drawing('bent-arrow', [0.1, 0.1], [0.5, 0.1], [0.5, 0.5], [0.5, 0.9]));
    const [barbX, barbY] = numbers(bent.split('M').at(-1)!);
    expect(bent).toContain('L500 450');
    expect(barbY!).toBeLessThan(450);
    expect(Math.abs(barbX! - 500)).toBeLessThan(10);
  });

  it('of a freehand stroke begins and ends where the hand did; a single touch is a dot', () => {
    expect(path(drawing('freehand', [0, 0], [0.5, 1], [1, 0]), 100, 100)).toMatch(/^M0 0Q.*L100 0$/);
    expect(path(drawing('freehand', [0, 0]), 100, 100)).toBe('M0 0l0.01 0');
  });

  it('of a pen’s stroke is wider where it pressed harder', () => {
    const points = [0.2, 0.2, 1, 1].map((pressure, i) => ({ x: i * 0.2, y: 0.5, pressure }));
    const shape = drawingShape({ ...arrow, tool: 'freehand', points }, 1000, 500);
    expect(shape.parts[0]!.stroke).toBeNull();
    const corners = numbers(shape.parts[0]!.path);
    const wide = (i: number) => Math.abs(corners[i * 2 + 1]! - corners[corners.length - 1 - i * 2]!);
    expect(wide(3)).toBeGreaterThan(wide(0) * 2);
  });

  it('of an angle carries its degrees with their uncertainty', () => {
    const shape = drawingShape(drawing('angle', [0.6, 0.5], [0.5, 0.5], [0.5, 0.7]), 1000, 500);
    expect(shape.words[0]!.words).toMatch(/^90° ± \d°$/);
  });

  it('of a label is its words where it was put, larger when bold', () => {
    const size = (weight: Drawing['weight']) => drawingShape({ ...drawing('label', [0.25, 0.5]), weight }, 1000, 500).words[0]!;
    expect(size('plain')).toMatchObject({ words: 'elbow', x: 250, y: 250 });
    expect(size('bold').size).toBeGreaterThan(size('plain').size);
  });

  it('has a handle for each point, but none along a stroke of the hand', () => {
    expect(handlesOf(drawing('gap', [0, 0], [1, 0], [1, 1]))).toHaveLength(3);
    expect(handlesOf(drawing('freehand', [0, 0], [1, 0], [1, 1]))).toEqual([]);
  });
});

describe('what is painted', () => {
  it('is laid over a dark edge, so that it reads on any mat', () => {
    for (const tool of drawingTools) {
      const paints = drawingPaints(drawing(tool, [0.2, 0.2], [0.4, 0.4], [0.3, 0.6]), 1280, 720, words);
      const edge = paints.findIndex((paint) => paint.stroke === '#0B0D0C');
      expect(edge).toBeGreaterThanOrEqual(0);
      expect(paints.findLastIndex((paint) => paint.stroke === '#FF8A3D' || paint.fill === '#FF8A3D')).toBeGreaterThan(edge);
    }
  });

  it('in the middle of an angle is centred by the width of its letters', () => {
    const paints = drawingPaints(drawing('angle', [0.6, 0.5], [0.5, 0.5], [0.5, 0.7]), 1000, 500, words);
    const shape = drawingShape(drawing('angle', [0.6, 0.5], [0.5, 0.5], [0.5, 0.7]), 1000, 500).words[0]!;
    expect(paints.at(-1)!.x).toBeCloseTo(shape.x - (shape.words.length * shape.size) / 2, 6);
  });

  it('becomes one SVG of the picture’s size, with the picture below where it is given', () => {
    const svg = drawingsSvg([arrow, drawing('label', [0.1, 0.1])], 1280, 720, words, { picture: 'data:image/png;base64,AAAA' });
    expect(svg).toContain('viewBox="0 0 1280 720"');
    expect(svg.indexOf('<image')).toBeLessThan(svg.indexOf('<path'));
    expect(svg.match(/<path/g)).toHaveLength(4);
  });
});
