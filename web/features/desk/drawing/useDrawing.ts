import { drawingPoints, movedDrawing, pinToggled, pastedDrawing, type Drawing, type PicturePoint } from '@lean-mentor/core/desk';
import { drawingLife } from '@lean-mentor/core/footage';
import { useMemo, useRef } from 'react';
import { toast } from 'sonner';
import type { DeskContents, DeskScene } from '../DeskScene.ts';
import { useLatestState } from '../useLatestState.ts';
import { drawingAfter, nothingDrawn, type DrawingState, type DrawingStep } from './drawingSteps.ts';

/** Drawing: what is held and half drawn, the steps of keys and pointer, and what can be done to a drawing that is there. */
export interface DrawingControls extends DrawingState {
  selected: Drawing | undefined;
  step: (step: DrawingStep) => void;
  /** Closes a shape of many corners; false when there is none to close. */
  close: () => boolean;
  /** Puts a drawing elsewhere on the present frame. */
  place: (drawing: Drawing, points: PicturePoint[]) => void;
  restyle: (fields: Partial<Pick<Drawing, 'colour' | 'weight'>>) => void;
  /** Pins the selected drawing where it is on this frame, or takes the pin of this frame away. */
  togglePin: () => void;
  copy: () => void;
  paste: () => void;
  remove: () => boolean;
}

export function useDrawing(
  { player, table, footage, size, actions, secondsAt }: DeskScene,
  drawings: DeskContents['document']['drawings'],
): DrawingControls {
  const [state, now, set] = useLatestState(nothingDrawn);
  const copied = useRef<Drawing | null>(null);
  const { selectedId } = state.choice;
  const selected = selectedId ? drawings[selectedId] : undefined;
  return useMemo<DrawingControls>(() => {
    const frame = (): number => player?.snapshot().frame ?? 0;
    const step = (one: DrawingStep): boolean => {
      const { state: next, made } = drawingAfter(now(), one, size.width / size.height);
      set(next);
      if (made) actions.addDrawing({ ...made, footageId: footage.id, keys: [], ...drawingLife(table, frame()) });
      return made !== null;
    };
    return {
      ...state,
      selected,
      step,
      close: () => step({ do: 'close' }),
      place: (drawing, points) => actions.change('drawing', drawing.id, movedDrawing(drawing, frame(), points)),
      restyle: (fields) => {
        step({ do: 'style', fields });
        if (selected) actions.change('drawing', selected.id, fields);
      },
      togglePin: () => {
        if (selected) actions.change('drawing', selected.id, pinToggled(selected, frame(), drawingPoints(selected, frame(), secondsAt)));
      },
      copy: () => {
        if (!selected) return;
        copied.current = selected;
        toast('Copied. Go to another frame and paste it there.');
      },
      paste: () => {
        if (!copied.current) return;
        const id = actions.addDrawing(pastedDrawing(copied.current, frame(), table.times.length, secondsAt));
        step({ do: 'layDown' });
        step({ do: 'select', id });
      },
      remove: () => {
        if (!selected) return false;
        actions.remove('drawing', selected.id);
        step({ do: 'select', id: null });
        return true;
      },
    };
  }, [state, now, set, selected, player, table, footage.id, size, actions, secondsAt]);
}
