import {
  addStats,
  boutStats,
  findPatterns,
  happeningsOf,
  leanRibbon,
  ribbonOutline,
  ruleSheets,
  scoreBout,
  type Holder,
  type PositionCode,
  type TimedBout,
} from '@lean-mentor/core/scoring';
import { quantile, type Figure } from './figure.ts';

const sheet = ruleSheets['points-jacket'];
const positions: readonly PositionCode[] = [
  'standing',
  'clinch',
  'half-guard',
  'closed-guard',
  'side-control',
  'knee-on-belly',
  'mount',
  'turtle',
  'back-control',
];

/** Numbers that are the same in every run. */
function numbers(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

/** A bout of spans of equal length with attempts in between. */
export function boutOf(seed: number, spans: number, seconds: number): TimedBout {
  const next = numbers(seed + 1);
  const each = seconds / spans;
  return {
    lengthSeconds: seconds,
    spans: Array.from({ length: spans }, (_, i) => {
      const position = positions[Math.floor(next() * positions.length)]!;
      const holder: Holder = position === 'standing' || position === 'clinch' ? null : next() < 0.5 ? 'client' : 'partner';
      return { position, holder, from: i * each, to: (i + 1) * each };
    }),
    events: Array.from({ length: Math.floor(spans / 3) }, () => ({
      kind: 'attempt' as const,
      athlete: next() < 0.5 ? ('client' as const) : ('partner' as const),
      technique: next() < 0.5 ? 'sweep' : 'pass',
      outcome: 'failed' as const,
      close: next() < 0.2,
      at: next() * seconds,
    })),
  };
}

export function timed(times: number, act: () => unknown): number[] {
  return Array.from({ length: times }, () => {
    const begun = performance.now();
    act();
    return performance.now() - begun;
  });
}

/** The arithmetic of scoring alone, in this process. */
export function benchScoring(): Figure[] {
  const long = boutOf(1, 200, 600);
  const history = Array.from({ length: 200 }, (_, i) => boutOf(i, 60, 360));
  const many = Array.from({ length: 1000 }, (_, i) => boutOf(i, 60, 360));
  const score = timed(1000, () => scoreBout(long, sheet));
  const stats = timed(40, () => addStats(history.map((bout) => boutStats(bout, scoreBout(bout, sheet)))));
  const patterns = timed(8, () => findPatterns(many.map(happeningsOf)));
  const framed = long.spans.map(({ position, holder, from, to }) => ({ position, holder, fromFrame: from * 30, toFrame: to * 30 }));
  const ribbon = timed(200, () =>
    ribbonOutline(
      leanRibbon(framed, 0, 18_000, (frame) => frame / 30),
      150,
      700,
    ),
  );
  const figure = (name: string, times: number[], more: Record<string, number>): Figure => ({
    // The first is what a cold process pays before its code is compiled.
    firstMs: Math.round(times[0]! * 10) / 10,
    ...more,
    figure: `${name}, p95`,
    value: quantile([...times], 0.95),
    unit: 'ms',
  });
  return [
    figure('re-score of ten minutes', score, { spans: 200 }),
    figure('statistics of a whole history', stats, { bouts: history.length }),
    figure('pattern search', patterns, { bouts: many.length }),
    figure('ribbon outline', ribbon, { spans: 200 }),
  ];
}
