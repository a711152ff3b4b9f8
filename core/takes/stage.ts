import { drawingsAtFrame, toolGesture, wholePicture, type Note, type StageView } from '../desk/index.ts';
import { secondsOfFrame, type FrameIndex, type FrameTable, type Seconds } from '../footage/index.ts';
import { assertNever } from '../never/index.ts';
import type { CoachShape } from './coachCorner.ts';
import { comparisonAfter, type TakeComparison } from './comparison.ts';
import { frameOfMotion, secondsOfMotion, type MotionFrom } from './motion.ts';
import { viewSlide, type OpenNote, type Stroke, type Take, type TakeDrawing, type TakeEvent } from './take.ts';

/** A stroke as far as it has grown. `reach`: where the end of one that is pulled from end to end is, while it is on its way. */
export interface StageStroke extends Stroke {
  reach?: { x: number; y: number };
}

/** What the stage shows at an instant. */
export interface Stage {
  frame: FrameIndex;
  rate: number;
  view: StageView;
  mirrored: boolean;
  /** Each with the points drawn so far; one that has none yet is not there. */
  strokes: StageStroke[];
  /** Copies of the desk's drawings that are on this frame. */
  drawings: TakeDrawing[];
  note: OpenNote | null;
  /** What lies over the stage to be compared, as it is at this instant; null: the stage is seen. */
  compare: TakeComparison | null;
  /** How the coach is seen in a corner; null: not at all. */
  coach: CoachShape | null;
}

/** The stage of a note's frame, with nothing else on it, where a take begins. */
export const restingOn = ({ id, fromFrame, what }: Pick<Note, 'id' | 'fromFrame' | 'what'>): TakeEvent => ({
  ...{ t: 0, kind: 'stage', frame: fromFrame, rate: 0, view: wholePicture, mirrored: false, strokes: [], drawings: [] },
  note: { id, words: what },
});

/** What holds from an event on, until the next. */
interface Held {
  motion: MotionFrom;
  view: { t: Seconds; view: StageView };
  mirrored: boolean;
  strokes: readonly (Stroke & { t: Seconds })[];
  drawings: readonly TakeDrawing[];
  note: OpenNote | null;
  compare: { t: Seconds; shown: TakeComparison } | null;
  coach: CoachShape | null;
}

const viewOf = ({ zoom, x, y }: StageView): StageView => ({ zoom, x, y });

/** What holds after an event. The first event of a take is its whole stage, which needs nothing before it. */
function heldAfter(held: Held | null, event: TakeEvent): Held {
  if (event.kind === 'stage') {
    const { t, frame, rate, into, view, mirrored, strokes, drawings, note, compare, coach = null } = event;
    const begun = strokes.map(({ ago, ...stroke }) => ({ ...stroke, t: t - ago }));
    const compared = compare ? { t, shown: compare } : null;
    return { motion: { t, frame, rate, into }, view: { t, view }, mirrored, strokes: begun, drawings, note, compare: compared, coach };
  }
  if (!held) throw new Error('A take begins with its whole stage.');
  const { t } = event;
  switch (event.kind) {
    case 'show':
    case 'stop':
      return { ...held, motion: { t, frame: event.frame, rate: 0 } };
    case 'run':
      return { ...held, motion: { t, frame: event.frame, rate: event.rate } };
    case 'view':
      return { ...held, view: { t, view: viewOf(event) } };
    case 'mirror':
      return { ...held, mirrored: event.on };
    case 'stroke': {
      const { kind: _kind, ...stroke } = event;
      return { ...held, strokes: [...held.strokes.filter(({ id }) => id !== stroke.id), stroke] };
    }
    case 'rub': {
      const others = <T extends { id: string }>(of: readonly T[]): T[] => of.filter(({ id }) => id !== event.id);
      return { ...held, strokes: others(held.strokes), drawings: others(held.drawings) };
    }
    case 'drawings':
      return { ...held, drawings: event.shown };
    case 'note':
      return { ...held, note: event.open ? { id: event.id, words: event.words } : held.note?.id === event.id ? null : held.note };
    case 'compare':
      return { ...held, compare: event.shown && { t, shown: event.shown } };
    default:
      return assertNever(event);
  }
}

const between = (one: number, other: number, share: number): number => one + (other - one) * share;

/** The view at an instant: straight on the way to the next one, while the hand moves. */
function viewAt({ t, view }: Held['view'], next: (StageView & { t: Seconds }) | undefined, at: Seconds): StageView {
  if (!next || next.t - t > viewSlide || next.t <= t) return view;
  const share = Math.min(1, (at - t) / (next.t - t));
  return { zoom: between(view.zoom, next.zoom, share), x: between(view.x, next.x, share), y: between(view.y, next.y, share) };
}

/** Of a stroke so much as was drawn within so many seconds. */
function grown({ t, ...stroke }: Held['strokes'][number], at: Seconds): StageStroke {
  const passed = (at - t) * 1000 + 1e-6;
  const points = stroke.points.filter(([, , ms]) => ms <= passed);
  const gesture = toolGesture[stroke.tool];
  const [start, end] = stroke.points;
  // What is pulled from one end to the other is as long as the pull has come.
  if (!('drag' in gesture) || gesture.drag !== 'ends' || !start || !end || points.length !== 1) return { ...stroke, points };
  const share = (passed - start[2]) / (end[2] - start[2]);
  return { ...stroke, points, reach: { x: between(start[0], end[0], share), y: between(start[1], end[1], share) } };
}

/** Reads the stage of a take at any instant of its recording. */
export interface StageReader {
  stageAt: (recorded: Seconds) => Stage;
  /** Everything at an instant, as an event that a take may begin with. */
  wholeAt: (recorded: Seconds) => Extract<TakeEvent, { kind: 'stage' }>;
}

/** How far apart what holds is kept ready, in seconds, so that a jump folds few events only. */
const apart = 5;

/**
 * Reads a take. Its log is folded once, and what holds is kept every few seconds (`checkpoints` false: each time from the start, which
 * gives the same, slower). `table`: of the footage.
 */
export function stageReader({ events }: Pick<Take, 'events'>, table: FrameTable, { checkpoints = true } = {}): StageReader {
  const kept: { index: number; held: Held }[] = [];
  if (checkpoints) {
    let held: Held | null = null;
    events.forEach((event, index) => {
      held = heldAfter(held, event);
      if (kept.length === 0 || event.t - events[kept.at(-1)!.index]!.t >= apart) kept.push({ index, held });
    });
  }
  /** Place of the last event that has happened; −1 before the first. */
  const lastAt = (t: Seconds): number => {
    let [low, high] = [0, events.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (events[middle]!.t <= t) low = middle + 1;
      else high = middle;
    }
    return low - 1;
  };
  const heldAt = (last: number): Held => {
    const from = kept.findLast(({ index }) => index <= last);
    let held: Held | null = from?.held ?? null;
    for (let i = (from?.index ?? -1) + 1; i <= Math.max(last, 0); i++) held = heldAfter(held, events[i]!);
    return held!;
  };
  const nextView = (last: number, t: Seconds): (StageView & { t: Seconds }) | undefined => {
    for (let i = last + 1; i < events.length && events[i]!.t <= t + viewSlide; i++) {
      const event = events[i]!;
      if (event.kind === 'view') return event;
      // From a whole stage on nothing of before matters.
      if (event.kind === 'stage') return undefined;
    }
    return undefined;
  };
  const readAt = (t: Seconds) => {
    const last = lastAt(t);
    const held = heldAt(last);
    const { motion, compare } = held;
    const seen = { frame: frameOfMotion(motion, t, table), view: viewAt(held.view, nextView(last, held.view.t), t) };
    return { held, ...seen, compare: compare && comparisonAfter(compare.shown, t - compare.t) };
  };
  return {
    stageAt: (t) => {
      const { held, frame, view, compare } = readAt(t);
      const { motion, mirrored, strokes, drawings, note, coach } = held;
      return {
        frame,
        rate: motion.rate,
        view,
        mirrored,
        strokes: strokes.map((stroke) => grown(stroke, t)).filter(({ points }) => points.length > 0),
        drawings: drawingsAtFrame([...drawings], frame),
        note,
        compare,
        coach,
      };
    },
    wholeAt: (t) => {
      const { held, frame, view, compare } = readAt(t);
      const { motion, mirrored, strokes, drawings, note, coach } = held;
      const begun = strokes.map(({ t: began, ...stroke }) => ({ ...stroke, ago: t - began }));
      const into = motion.rate === 0 ? {} : { into: secondsOfMotion(motion, t, table) - secondsOfFrame(table, frame) };
      return {
        t,
        kind: 'stage',
        frame,
        rate: motion.rate,
        ...into,
        view,
        mirrored,
        strokes: begun,
        drawings,
        note,
        ...(compare && { compare }),
        ...(coach && { coach }),
      };
    },
  };
}
