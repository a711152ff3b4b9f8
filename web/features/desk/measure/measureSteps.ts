import { assertNever } from '@lean-mentor/core/never';
import {
  bodyJoints,
  matGuess,
  type BodyDots,
  type BodyJoint,
  type MeasureInput,
  type MeasureKind,
  type PicturePoint,
} from '@lean-mentor/core/desk';

/** A measurement that is being made. */
export interface MeasureWork {
  kind: MeasureKind;
  atFrame: number;
  /** Dots in the order they were pressed; for a balance check the contacts. */
  spots: readonly PicturePoint[];
  /** Of a path: the frame of each dot. */
  frames: readonly number[];
  dots: BodyDots;
  /** The joint that is asked for; past the last one contacts are. */
  joint: number;
  /** Of the mat's corners: how many tiles lie between them, and how large one is. */
  wide: number;
  deep: number;
  tileMetres: number;
}

export type MeasureStep =
  /** The same kind again leaves it. */
  | { do: 'begin'; kind: MeasureKind; atFrame: number }
  | { do: 'press'; point: PicturePoint; atFrame: number }
  /** The joint that is asked for cannot be seen. */
  | { do: 'pass' }
  | { do: 'adjust'; fields: Partial<Pick<MeasureWork, 'wide' | 'deep' | 'tileMetres'>> }
  | { do: 'takeBack' }
  | { do: 'leave' };

const begun = { spots: [], frames: [], dots: {}, joint: 0, wide: 1, deep: 1, tileMetres: 1 } as const;

/** So many dots complete a measurement by themselves; the others are done when the coach says so. */
const enoughDots: Partial<Record<MeasureKind, number>> = { angle: 3, distance: 2 };

/** The joint that is asked for next; null when contacts or nothing are. */
export const askedJoint = (work: MeasureWork | null): BodyJoint | null =>
  work?.kind === 'balance' ? (bodyJoints[work.joint] ?? null) : null;

/** What a step leads to; null: nothing is being measured. */
export function measureAfter(work: MeasureWork | null, step: MeasureStep): MeasureWork | null {
  if (step.do === 'begin') return work?.kind === step.kind ? null : { ...begun, kind: step.kind, atFrame: step.atFrame };
  if (step.do === 'leave' || !work) return null;
  switch (step.do) {
    case 'press':
      return pressed(work, step.point, step.atFrame);
    case 'pass':
      return { ...work, joint: work.joint + 1 };
    case 'adjust':
      return { ...work, ...step.fields };
    case 'takeBack':
      return takenBack(work);
    default:
      return assertNever(step);
  }
}

/** Whether a press completed it. */
export const isComplete = ({ kind, spots }: MeasureWork): boolean => spots.length === enoughDots[kind];

function pressed(work: MeasureWork, point: PicturePoint, atFrame: number): MeasureWork {
  const joint = askedJoint(work);
  if (joint) return { ...work, dots: { ...work.dots, [joint]: point }, joint: work.joint + 1 };
  if (work.kind !== 'path') return { ...work, spots: [...work.spots, point] };
  // The same frame again corrects its dot.
  const others = work.frames.map((frame, i) => ({ frame, spot: work.spots[i]! })).filter(({ frame }) => frame !== atFrame);
  const all = [...others, { frame: atFrame, spot: point }].sort((a, b) => a.frame - b.frame);
  return { ...work, atFrame: all[0]!.frame, frames: all.map(({ frame }) => frame), spots: all.map(({ spot }) => spot) };
}

function takenBack(work: MeasureWork): MeasureWork {
  if (work.spots.length > 0) return { ...work, spots: work.spots.slice(0, -1), frames: work.frames.slice(0, -1) };
  const joint = bodyJoints[work.joint - 1];
  if (work.kind !== 'balance' || !joint) return work;
  const { [joint]: _taken, ...dots } = work.dots;
  return { ...work, dots, joint: work.joint - 1 };
}

/** What the dots measure. `size`: of the picture in pixels; `matId`: the measured mat that distances are taken on. */
export function measureInput(work: MeasureWork, size: { width: number; height: number }, matId: string | null): MeasureInput {
  const points = [...work.spots];
  switch (work.kind) {
    case 'angle':
      return { kind: 'angle', points };
    case 'mat':
      return { kind: 'mat', corners: matGuess(points, work.wide, work.deep, size), tileMetres: work.tileMetres };
    case 'distance':
      return { kind: 'distance', points, matId: matId ?? '' };
    case 'balance':
      return { kind: 'balance', dots: work.dots, contacts: points, matId };
    case 'time':
      return { kind: 'time' };
    case 'path':
      return { kind: 'path', dots: points.map((point, i) => ({ frame: work.frames[i]!, point })), matId };
    default:
      return assertNever(work.kind);
  }
}
