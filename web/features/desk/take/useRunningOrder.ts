import type { OrderStep } from '@lean-mentor/core/critique';
import { useCallback, useMemo, useState } from 'react';
import { useGetRunningOrderQuery } from '../../takes/index.ts';
import type { DeskContents, DeskScene } from '../DeskScene.ts';
import type { WritingControls } from '../useWriting.ts';

/** A step that can be said over the footage on the stage. */
export interface StageStep extends OrderStep {
  /** Frame that is shown; null where nothing has to be. */
  frame: number | null;
}

/** Saying things in the order of the ladder, or as they come. */
export interface OrderControls {
  /** Whether there is an order at all. */
  on: boolean;
  choose: (on: boolean) => void;
  steps: readonly StageStep[];
  /** How many moments of the order are in other footage: they need a take of their own. */
  elsewhere: number;
  /** Place of the present step; null before the first. */
  at: number | null;
  now: StageStep | null;
  next: StageStep | null;
  /** Brings a step: its frame and its note. */
  go: (place: number) => void;
  /** So many steps on, or back. */
  step: (by: 1 | -1) => void;
  /** Before the first step again. */
  reset: () => void;
}

interface Given {
  scene: DeskScene;
  contents: DeskContents;
  writing: WritingControls;
}

const none: readonly OrderStep[] = [];

/** The order in which the critique is spoken: proposed from the ladder, with each note's frames queued. */
export function useRunningOrder({ scene, contents, writing }: Given): OrderControls {
  const { subject, footage, go: goTo } = scene;
  const { close } = writing;
  const { notes } = contents.whole;
  const [on, setOn] = useState(false);
  const [at, setAt] = useState<number | null>(null);
  const { data = none } = useGetRunningOrderQuery(subject.request.id, { skip: !on, refetchOnMountOrArgChange: true });
  const steps = useMemo(
    () =>
      data.flatMap((step): StageStep[] => {
        const note = step.noteId === null ? null : notes[step.noteId];
        return note === undefined || (note && note.footageId !== footage.id) ? [] : [{ ...step, frame: note ? note.fromFrame : null }];
      }),
    [data, notes, footage.id],
  );
  const go = useCallback(
    (place: number): void => {
      const step = steps[place];
      if (!step) return;
      setAt(place);
      if (step.frame !== null) goTo(step.frame, step.noteId);
      else close();
    },
    [steps, goTo, close],
  );
  return useMemo<OrderControls>(
    () => ({
      ...{ on, steps, at, go, elsewhere: data.length - steps.length },
      choose: (chosen) => {
        setOn(chosen);
        setAt(null);
      },
      now: (on && at !== null && steps[at]) || null,
      next: (on && steps[at === null ? 0 : at + 1]) || null,
      step: (by) => go(at === null ? 0 : at + by),
      reset: () => setAt(null),
    }),
    [on, steps, at, go, data.length],
  );
}
