import { leanOfSpan, type PositionValues, type Span } from '../positions/index.ts';

/** A knot of the ribbon: `along` runs down the page 0..1 of the bout, `lean` −100..100. */
export interface RibbonKnot {
  along: number;
  lean: number;
}

/**
 * How long the drawn ribbon takes to ease at a change of position: 0.4 s, and in a long bout on a small page this share of
 * it, or the sway would look like a break. Computation uses the uneased value.
 */
const easeSeconds = 0.4;
const easeShare = 0.03;

/**
 * Knots of the lean ribbon from spans, in bout order. `secondsAt` gives the footage time of a frame.
 * Without spans the ribbon is straight: two knots at lean 0.
 */
export function leanRibbon(
  spans: readonly Span[],
  fromFrame: number,
  toFrame: number,
  secondsAt: (frame: number) => number,
  values?: PositionValues,
): RibbonKnot[] {
  const start = secondsAt(fromFrame);
  const length = Math.max(secondsAt(toFrame) - start, 1e-9);
  const at = (seconds: number): number => Math.min(1, Math.max(0, (seconds - start) / length));
  if (spans.length === 0)
    return [
      { along: 0, lean: 0 },
      { along: 1, lean: 0 },
    ];
  const knots: RibbonKnot[] = [];
  for (const span of spans) {
    const from = secondsAt(span.fromFrame);
    const to = secondsAt(span.toFrame);
    const ease = Math.min(Math.max(easeSeconds, easeShare * length) / 2, (to - from) / 2);
    const lean = leanOfSpan(span, values);
    knots.push({ along: at(from + ease), lean }, { along: at(to - ease), lean });
  }
  knots[0] = { ...knots[0]!, along: 0 };
  knots[knots.length - 1] = { ...knots[knots.length - 1]!, along: 1 };
  return knots;
}

/**
 * Closed SVG outline of the ribbon, `width` × `height`: its middle sways right for the client and left for the partner,
 * and it is widest where control is strongest.
 */
export function ribbonOutline(knots: readonly RibbonKnot[], width: number, height: number): string {
  const thin = Math.max(2.5, width * 0.05);
  const thick = width * 0.2;
  const sway = (width - thick) / 2 - 1;
  const edge = (side: 1 | -1) =>
    knots.map(({ along, lean }) => {
      const half = (thin + (thick - thin) * (Math.abs(lean) / 100)) / 2;
      return { x: width / 2 + (lean / 100) * sway + side * half, y: along * height };
    });
  const f = (v: number): string => v.toFixed(1);
  const run = (points: { x: number; y: number }[]): string =>
    points
      .slice(1)
      .map((p, i) => {
        const before = points[i]!;
        const middle = (before.y + p.y) / 2;
        return `C${f(before.x)} ${f(middle)} ${f(p.x)} ${f(middle)} ${f(p.x)} ${f(p.y)}`;
      })
      .join('');
  const down = edge(1);
  const up = edge(-1).reverse();
  return `M${f(down[0]!.x)} ${f(down[0]!.y)}${run(down)}L${f(up[0]!.x)} ${f(up[0]!.y)}${run(up)}Z`;
}
