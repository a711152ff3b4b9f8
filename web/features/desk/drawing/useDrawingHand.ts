import {
  drawingPoints,
  movedDrawing,
  thinStroke,
  toolGesture,
  type Drawing,
  type DrawingTool,
  type PicturePoint,
} from '@lean-mentor/core/desk';
import { drawingLife } from '@lean-mentor/core/footage';
import { useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import type { DeskScene, DeskThings } from '../DeskScene.ts';
import { noDrawing, type DrawingChoice } from './drawingChoice.ts';

/** Two presses closer than this, as a share of the picture's height, are one: a polygon is closed on its first corner. */
const samePress = 0.02;

export interface DrawingHand {
  choice: DrawingChoice;
  /** Points of the drawing that is being made. */
  draft: readonly PicturePoint[];
  /** Where a label is being written. */
  labelling: boolean;
  hidden: boolean;
  selected: Drawing | undefined;
  setChoice: (choice: DrawingChoice) => void;
  setHidden: (hidden: boolean) => void;
  /** Null: the tool used last. */
  pickTool: (tool: DrawingTool | null) => void;
  select: (id: string | null) => void;
  /** The pointer went down, moved while down, and went up. */
  begin: (point: PicturePoint) => void;
  extend: (point: PicturePoint) => void;
  release: () => void;
  /** A shape of many corners is complete. */
  close: () => boolean;
  writeLabel: (words: string) => void;
  /** Puts a drawing elsewhere on the present frame. */
  place: (drawing: Drawing, points: PicturePoint[]) => void;
  restyle: (fields: Partial<Pick<Drawing, 'colour' | 'weight'>>) => void;
  /** Pins the selected drawing where it is on this frame, or takes the pin of this frame away. */
  toggleKey: () => void;
  copy: () => void;
  paste: () => void;
  remove: () => boolean;
  leave: () => void;
}

/** Drawing by hand: what tool is held, what is half drawn, and what can be done to a drawing that is there. */
export function useDrawingHand(
  { player, table, footage, size, actions, secondsAt }: DeskScene,
  drawings: DeskThings['document']['drawings'],
): DrawingHand {
  const [choice, setChoice] = useState<DrawingChoice>(noDrawing);
  const [draft, setDraft] = useState<readonly PicturePoint[]>([]);
  const [labelling, setLabelling] = useState(false);
  const [hidden, setHidden] = useState(false);
  // The pointer moves faster than the page redraws: points are gathered here and shown from the state.
  const gathered = useRef<PicturePoint[]>([]);
  const copied = useRef<Drawing | null>(null);
  const selected = choice.selectedId ? drawings[choice.selectedId] : undefined;

  return useMemo<DrawingHand>(() => {
    const frame = (): number => player?.snapshot().frame ?? 0;
    const show = (points: PicturePoint[]): void => setDraft((gathered.current = points));
    const finish = (words = ''): void => {
      const { tool, colour, weight } = choice;
      const raw = gathered.current;
      show([]);
      setLabelling(false);
      if (!tool || raw.length === 0) return;
      const dragged = 'drag' in toolGesture[tool] ? toolGesture[tool].drag : null;
      const points = dragged === 'path' ? thinStroke(raw, size.width / size.height) : raw;
      // A press without a drag makes no arrow; with a pen of freehand it makes a dot.
      if (dragged !== null && tool !== 'freehand' && points.length < 2) return;
      actions.addDrawing({ footageId: footage.id, tool, colour, weight, words, points, keys: [], ...drawingLife(table, frame()) });
    };
    const distance = (a: PicturePoint, b: PicturePoint): number => Math.hypot(((a.x - b.x) * size.width) / size.height, a.y - b.y);
    const close = (): boolean => {
      if (choice.tool !== 'gap' || gathered.current.length < 3) return false;
      finish();
      return true;
    };
    return {
      choice,
      draft,
      labelling,
      hidden,
      selected,
      setChoice: (next) => {
        show([]);
        setLabelling(false);
        setChoice(next);
      },
      setHidden,
      pickTool: (tool) => {
        show([]);
        setLabelling(false);
        setChoice((now) => ({ ...now, tool: tool ?? now.lastTool, lastTool: tool ?? now.lastTool, selectedId: null }));
      },
      select: (selectedId) => setChoice((now) => ({ ...now, selectedId })),
      begin: (point) => {
        const gesture = choice.tool && toolGesture[choice.tool];
        if (!gesture || labelling) return;
        if ('drag' in gesture) return show([point]);
        const first = gathered.current[0];
        if (gesture.presses === 0 && first && gathered.current.length > 2 && distance(first, point) < samePress) return void close();
        show([...gathered.current, point]);
        if (gathered.current.length === gesture.presses && choice.tool !== 'label') finish();
      },
      extend: (point) => {
        const gesture = choice.tool && toolGesture[choice.tool];
        if (!gesture || !('drag' in gesture) || gathered.current.length === 0) return;
        show(gesture.drag === 'ends' ? [gathered.current[0]!, point] : [...gathered.current, point]);
      },
      release: () => {
        if (!choice.tool || gathered.current.length === 0) return;
        if ('drag' in toolGesture[choice.tool]) finish();
        // Only now: the press itself would take the hands off the words again.
        else if (choice.tool === 'label') setLabelling(true);
      },
      close,
      writeLabel: (words) => {
        if (words.trim()) finish(words.trim());
        else {
          show([]);
          setLabelling(false);
        }
      },
      place: (drawing, points) => actions.change('drawing', drawing.id, movedDrawing(drawing, frame(), points)),
      restyle: (fields) => {
        setChoice((now) => ({ ...now, ...fields }));
        if (selected) actions.change('drawing', selected.id, fields);
      },
      toggleKey: () => {
        if (!selected) return;
        const at = frame();
        const there = selected.keys.some((key) => key.frame === at);
        const points = drawingPoints(selected, at, secondsAt);
        const keys = there
          ? selected.keys.filter((key) => key.frame !== at)
          : [...selected.keys, { frame: at, points }].sort((a, b) => a.frame - b.frame);
        actions.change('drawing', selected.id, { keys, ...(keys.length === 0 && { points }) });
      },
      copy: () => {
        if (!selected) return;
        copied.current = selected;
        toast('Copied. Go to another frame and paste it there.');
      },
      paste: () => {
        if (!copied.current) return;
        const { id: _id, keys, fromFrame, toFrame, ...rest } = copied.current;
        const at = frame();
        const points = drawingPoints(copied.current, Math.min(Math.max(at, fromFrame), toFrame - 1), secondsAt);
        const moved = keys.map((key) => ({ ...key, frame: Math.max(0, key.frame + at - fromFrame) }));
        const pasted = actions.addDrawing({
          ...rest,
          points,
          keys: moved,
          fromFrame: at,
          toFrame: Math.min(table.times.length, at + toFrame - fromFrame),
        });
        setChoice((now) => ({ ...now, tool: null, selectedId: pasted }));
      },
      remove: () => {
        if (!selected) return false;
        actions.remove('drawing', selected.id);
        setChoice((now) => ({ ...now, selectedId: null }));
        return true;
      },
      leave: () => {
        if (gathered.current.length > 0) show([]);
        else setChoice((now) => ({ ...now, tool: null, selectedId: null }));
        setLabelling(false);
      },
    };
  }, [choice, draft, labelling, hidden, selected, player, table, footage.id, size, actions, secondsAt]);
}
