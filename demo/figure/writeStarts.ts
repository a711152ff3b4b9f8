import { writeFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import type { PositionCode } from '@lean-mentor/core/scoring';
import { project } from '../render/camera.ts';
import { solvePairAt, type Pair } from '../timeline/motion.ts';
import { bodyOf } from './body.ts';
import type { PoseName } from './pose.ts';
import type { JointName } from './solve.ts';

/**
 * `npm run starts`: writes the drawings of starts that the page shows (web/features/work/starts.json): both athletes as lines, seen by the
 * camera of the made footage. Positions that no pose shows have none, rather than one that is nearly right.
 */
const poseOf: Partial<Record<PositionCode, PoseName>> = {
  standing: 'stance',
  clinch: 'collarTie',
  'closed-guard': 'closedGuard',
  'seated-guard': 'butterfly',
  'open-guard': 'openGuard',
  'knee-shield': 'kneeShield',
  turtle: 'turtle',
  'side-control': 'sideControl',
  'knee-on-belly': 'kneeOnBelly',
  mount: 'mount',
  'back-control': 'backControl',
};

const limbs: readonly (readonly JointName[])[] = [
  ['rToe', 'rAnk', 'rKnee', 'rHip'],
  ['lToe', 'lAnk', 'lKnee', 'lHip'],
  ['rTip', 'rWr', 'rElb', 'rSh'],
  ['lTip', 'lWr', 'lElb', 'lSh'],
  ['rHip', 'lHip', 'lSh', 'rSh', 'rHip'],
  ['neck', 'head'],
];

/** A line of one athlete: whole pixels, and how far away its middle is. */
interface Line {
  who: 'above' | 'below';
  depth: number;
  points: [number, number][];
}

const bodies = { A: bodyOf(1.78), B: bodyOf(1.78) };
const round = (value: number): number => Math.round(value);

function linesOf(pose: PoseName): { viewBox: string; lines: { who: Line['who']; head: boolean; points: number[] }[] } {
  const pair: Pair = solvePairAt([{ at: 0, until: 1, pose, placement: {} }], 0, bodies, 1);
  const all = (['A', 'B'] as const).flatMap((athlete) =>
    limbs.map((names): Line & { head: boolean } => {
      const seen = names.map((name) => project(pair[athlete].joints[name]));
      return {
        who: athlete === 'A' ? 'above' : 'below',
        head: names[0] === 'neck',
        depth: seen.reduce((sum, { depth }) => sum + depth, 0) / seen.length,
        points: seen.map(({ u, v }) => [round(u), round(v)]),
      };
    }),
  );
  const [xs, ys] = [0, 1].map((axis) => all.flatMap(({ points }) => points.map((point) => point[axis]!)));
  const [left, top, margin] = [Math.min(...xs!), Math.min(...ys!), 28];
  const [width, height] = [Math.max(...xs!) - left, Math.max(...ys!) - top];
  return {
    viewBox: [left - margin, top - margin, width + 2 * margin, height + 2 * margin].join(' '),
    // The farthest first, so that the nearest lies on top.
    lines: all.sort((a, b) => b.depth - a.depth).map(({ who, head, points }) => ({ who, head, points: points.flat() })),
  };
}

const starts = Object.fromEntries(Object.entries(poseOf).map(([position, pose]) => [position, linesOf(pose)]));
await writeFile(fileURLToPath(new URL('../../web/features/work/starts.json', import.meta.url)), `${JSON.stringify(starts)}\n`);
