import { assertNever } from '@lean-mentor/core/never';
import {
  bodyJoints,
  matGuess,
  measured,
  type BodyDots,
  type BodyJoint,
  type MeasureInput,
  type MeasureKind,
  type PicturePoint,
} from '@lean-mentor/core/desk';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import type { DeskScene, DeskThings } from '../DeskScene.ts';

/** A path's dot is put down every so many frames. */
const pathStep = 2;

interface Work {
  kind: MeasureKind;
  atFrame: number;
  /** Dots in the order they were pressed; for a balance check the contacts. */
  spots: PicturePoint[];
  frames: number[];
  dots: BodyDots;
  /** The joint that is asked for; past the last one contacts are. */
  joint: number;
  wide: number;
  deep: number;
  tileMetres: number;
}

const begun = (kind: MeasureKind, atFrame: number): Work => ({
  kind,
  atFrame,
  spots: [],
  frames: [],
  dots: {},
  joint: 0,
  wide: 1,
  deep: 1,
  tileMetres: 1,
});

export interface MeasureHand {
  kind: MeasureKind | null;
  work: Work | null;
  /** Dots that are down already. */
  draft: readonly PicturePoint[];
  /** The joint that is asked for; null when contacts or nothing are. */
  asks: BodyJoint | null;
  start: (kind: MeasureKind) => void;
  press: (point: PicturePoint) => void;
  /** The joint that is asked for cannot be seen. */
  pass: () => void;
  adjust: (fields: Partial<Pick<Work, 'wide' | 'deep' | 'tileMetres'>>) => void;
  takeBack: () => void;
  done: () => boolean;
  leave: () => void;
}

/** Measuring by hand: dots are put down one after another until the measurement is complete. */
export function useMeasureHand(
  { player, footage, table, size, actions }: DeskScene,
  measures: DeskThings['document']['measures'],
): MeasureHand {
  const [work, setWork] = useState<Work | null>(null);
  return useMemo<MeasureHand>(() => {
    const frame = (): number => player?.snapshot().frame ?? 0;
    const matId = Object.values(measures).findLast((measure) => measure.input.kind === 'mat')?.id ?? null;

    const inputOf = (of: Work): MeasureInput => {
      switch (of.kind) {
        case 'angle':
          return { kind: 'angle', points: of.spots };
        case 'mat':
          return { kind: 'mat', corners: matGuess(of.spots, of.wide, of.deep, size), tileMetres: of.tileMetres };
        case 'distance':
          return { kind: 'distance', points: of.spots, matId: matId ?? '' };
        case 'balance':
          return { kind: 'balance', dots: of.dots, contacts: of.spots, matId };
        case 'time':
          return { kind: 'time' };
        case 'path':
          return { kind: 'path', dots: of.spots.map((point, i) => ({ frame: of.frames[i]!, point })), matId };
        default:
          return assertNever(of.kind);
      }
    };
    const finish = (of: Work): boolean => {
      const toFrame = of.kind === 'time' ? frame() : of.kind === 'path' ? (of.frames.at(-1) ?? null) : null;
      const input = inputOf(of);
      const result = measured(input, { ...size, table, atFrame: of.atFrame, toFrame, measures });
      if ('lacks' in result) {
        toast.warning(result.lacks);
        return true;
      }
      actions.add('measure', { footageId: footage.id, atFrame: of.atFrame, toFrame, input, result, drawn: true });
      setWork(null);
      return true;
    };

    return {
      kind: work?.kind ?? null,
      work,
      draft: work ? [...Object.values(work.dots), ...work.spots] : [],
      asks: work?.kind === 'balance' ? (bodyJoints[work.joint] ?? null) : null,
      start: (kind) => {
        player?.pause();
        if (kind === 'distance' && !matId) return void toast.warning('A distance needs the mat’s corners first: choose Mat.');
        setWork(work?.kind === kind ? null : begun(kind, frame()));
      },
      press: (point) => {
        if (!work) return;
        const joint = work.kind === 'balance' ? bodyJoints[work.joint] : undefined;
        if (joint) return setWork({ ...work, dots: { ...work.dots, [joint]: point }, joint: work.joint + 1 });
        if (work.kind === 'path') {
          // The same frame again corrects its dot.
          const kept = work.frames.map((at, i) => ({ at, spot: work.spots[i]! })).filter(({ at }) => at !== frame());
          const all = [...kept, { at: frame(), spot: point }].sort((a, b) => a.at - b.at);
          setWork({ ...work, atFrame: all[0]!.at, frames: all.map(({ at }) => at), spots: all.map(({ spot }) => spot) });
          return player?.step(pathStep);
        }
        const next = { ...work, spots: [...work.spots, point] };
        const enough = { angle: 3, distance: 2 }[work.kind as 'angle' | 'distance'] as number | undefined;
        if (enough !== undefined && next.spots.length === enough) finish(next);
        else setWork(next);
      },
      pass: () => work && setWork({ ...work, joint: work.joint + 1 }),
      adjust: (fields) => work && setWork({ ...work, ...fields }),
      takeBack: () => {
        if (!work) return;
        if (work.spots.length > 0) return setWork({ ...work, spots: work.spots.slice(0, -1), frames: work.frames.slice(0, -1) });
        const joint = bodyJoints[work.joint - 1];
        if (work.kind !== 'balance' || !joint) return;
        const { [joint]: _taken, ...dots } = work.dots;
        setWork({ ...work, dots, joint: work.joint - 1 });
      },
      done: () => (work ? finish(work) : false),
      leave: () => setWork(null),
    };
  }, [work, player, footage.id, table, size, measures, actions]);
}
