import { assertNever } from '@lean-mentor/core/never';
import {
  thinStroke,
  toolGesture,
  type Drawing,
  type DrawingTool,
  type PicturePoint,
  type StrokeColour,
  type StrokeWeight,
} from '@lean-mentor/core/desk';

export interface DrawingChoice {
  /** Null: nothing is being drawn; drawings can be selected. */
  tool: DrawingTool | null;
  lastTool: DrawingTool;
  colour: StrokeColour;
  weight: StrokeWeight;
  selectedId: string | null;
}

/** What is held and what is half drawn. */
export interface DrawingState {
  choice: DrawingChoice;
  /** Points of the drawing that is being made. */
  draft: readonly PicturePoint[];
  /** Where the words of a label are being written. */
  labelling: boolean;
  /** All drawings are out of sight, for as long as a key is held. */
  hidden: boolean;
}

export const nothingDrawn: DrawingState = {
  choice: { tool: null, lastTool: 'arrow', colour: 'client', weight: 'plain', selectedId: null },
  draft: [],
  labelling: false,
  hidden: false,
};

export type DrawingStep =
  /** Null: the tool that was used last. */
  | { do: 'take'; tool: DrawingTool | null }
  | { do: 'layDown' }
  | { do: 'select'; id: string | null }
  | { do: 'style'; fields: Partial<Pick<DrawingChoice, 'colour' | 'weight'>> }
  | { do: 'hide'; hidden: boolean }
  /** The pointer goes down, moves while it is down, and goes up. */
  | { do: 'down' | 'move'; point: PicturePoint }
  | { do: 'up' }
  /** A shape of many corners is complete. */
  | { do: 'close' }
  | { do: 'words'; words: string }
  /** Esc: the half-drawn shape first, then the tool. */
  | { do: 'leave' };

/** What was drawn, without its place in the footage. */
export type MadeShape = Pick<Drawing, 'tool' | 'colour' | 'weight' | 'words' | 'points'>;
interface After {
  state: DrawingState;
  made: MadeShape | null;
}

/** Two presses closer than this, as a share of the picture's height, are one: a polygon is closed on its first corner. */
const samePress = 0.02;
const leastCorners = 3;

/** What a step leads to, and the shape that is complete with it. `aspect`: the picture's width over its height. */
export function drawingAfter(state: DrawingState, step: DrawingStep, aspect: number): After {
  const { choice, draft } = state;
  const then = (fields: Partial<DrawingState>): After => ({ state: { ...state, ...fields }, made: null });
  const idle = { draft: [], labelling: false };
  switch (step.do) {
    case 'take': {
      const tool = step.tool ?? choice.lastTool;
      return then({ ...idle, choice: { ...choice, tool, lastTool: tool, selectedId: null } });
    }
    case 'layDown':
      return then({ ...idle, choice: { ...choice, tool: null } });
    case 'select':
      return then({ choice: { ...choice, selectedId: step.id } });
    case 'style':
      return then({ choice: { ...choice, ...step.fields } });
    case 'hide':
      return then({ hidden: step.hidden });
    case 'down':
      return pressed(state, step.point, aspect);
    case 'move': {
      const gesture = choice.tool && toolGesture[choice.tool];
      if (!gesture || !('drag' in gesture) || draft.length === 0) return then({});
      return then({ draft: gesture.drag === 'ends' ? [draft[0]!, step.point] : [...draft, step.point] });
    }
    case 'up':
      if (!choice.tool || draft.length === 0) return then({});
      if ('drag' in toolGesture[choice.tool]) return finished(state, '', aspect);
      // Only now: the press itself would take the focus off the words again.
      return then({ labelling: choice.tool === 'label' });
    case 'close':
      return choice.tool === 'gap' && draft.length >= leastCorners ? finished(state, '', aspect) : then({});
    case 'words':
      return step.words.trim() ? finished(state, step.words.trim(), aspect) : then(idle);
    case 'leave':
      return then(draft.length > 0 ? idle : { labelling: false, choice: { ...choice, tool: null, selectedId: null } });
    default:
      return assertNever(step);
  }
}

function pressed(state: DrawingState, point: PicturePoint, aspect: number): After {
  const { choice, draft, labelling } = state;
  const gesture = choice.tool && toolGesture[choice.tool];
  if (!gesture || labelling) return { state, made: null };
  if ('drag' in gesture) return { state: { ...state, draft: [point] }, made: null };
  const first = draft[0];
  const closes = first && Math.hypot((first.x - point.x) * aspect, first.y - point.y) < samePress;
  if (gesture.presses === 0 && closes && draft.length >= leastCorners) return finished(state, '', aspect);
  const next = { ...state, draft: [...draft, point] };
  return next.draft.length === gesture.presses && choice.tool !== 'label' ? finished(next, '', aspect) : { state: next, made: null };
}

function finished(state: DrawingState, words: string, aspect: number): After {
  const { tool, colour, weight } = state.choice;
  const after = { ...state, draft: [], labelling: false };
  if (!tool || state.draft.length === 0) return { state: after, made: null };
  const gesture = toolGesture[tool];
  const isDragged = 'drag' in gesture;
  const points = isDragged && gesture.drag === 'path' ? thinStroke(state.draft, aspect) : [...state.draft];
  // A press without a drag makes no arrow; with a pen of freehand it makes a dot.
  if (isDragged && tool !== 'freehand' && points.length < 2) return { state: after, made: null };
  return { state: after, made: { tool, colour, weight, words, points } };
}
