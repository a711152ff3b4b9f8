import { measured, type BodyJoint, type MeasureKind, type PicturePoint } from '@lean-mentor/core/desk';
import { useMemo } from 'react';
import { toast } from 'sonner';
import type { DeskContents, DeskScene } from '../DeskScene.ts';
import { useLatestState } from '../useLatestState.ts';
import { askedJoint, isComplete, measureAfter, measureInput, type MeasureStep, type MeasureWork } from './measureSteps.ts';

/** A path's dot is put down every so many frames. */
const pathStep = 2;

/** Measuring: dots are put down one after another until the measurement is complete. */
export interface MeasureControls {
  work: MeasureWork | null;
  /** Dots that are down already. */
  draft: readonly PicturePoint[];
  /** The joint that is asked for; null when contacts or nothing are. */
  asks: BodyJoint | null;
  step: (step: Exclude<MeasureStep, { do: 'begin' | 'press' }>) => void;
  start: (kind: MeasureKind) => void;
  press: (point: PicturePoint) => void;
  /** Completes what is measured; false when nothing is. */
  done: () => boolean;
}

export function useMeasuring(
  { player, footage, table, size, actions }: DeskScene,
  measures: DeskContents['document']['measures'],
): MeasureControls {
  const [work, now, set] = useLatestState<MeasureWork | null>(null);
  return useMemo<MeasureControls>(() => {
    const frame = (): number => player?.snapshot().frame ?? 0;
    const matId = Object.values(measures).findLast((measure) => measure.input.kind === 'mat')?.id ?? null;
    const step = (one: MeasureStep): MeasureWork | null => {
      const next = measureAfter(now(), one);
      set(next);
      return next;
    };
    /** Keeps what was measured; false when something is lacking, which is told. */
    const finish = (of: MeasureWork): boolean => {
      const toFrame = of.kind === 'time' ? frame() : of.kind === 'path' ? (of.frames.at(-1) ?? null) : null;
      const input = measureInput(of, size, matId);
      const result = measured(input, { ...size, table, atFrame: of.atFrame, toFrame, measures });
      if ('lacks' in result) {
        toast.warning(result.lacks);
        return false;
      }
      actions.add('measure', { footageId: footage.id, atFrame: of.atFrame, toFrame, input, result, drawn: true });
      set(null);
      return true;
    };
    return {
      work,
      draft: work ? [...Object.values(work.dots), ...work.spots] : [],
      asks: askedJoint(work),
      step,
      done: () => {
        const of = now();
        if (of) finish(of);
        return of !== null;
      },
      start: (kind) => {
        player?.pause();
        if (kind === 'distance' && !matId) toast.warning('A distance needs the mat’s corners first: choose Mat.');
        else step({ do: 'begin', kind, atFrame: frame() });
      },
      press: (point) => {
        const next = step({ do: 'press', point, atFrame: frame() });
        if (next?.kind === 'path') player?.step(pathStep);
        if (next && isComplete(next) && !finish(next)) step({ do: 'takeBack' });
      },
    };
  }, [work, now, set, player, footage.id, table, size, measures, actions]);
}
