import type { StageView } from '../desk/index.ts';
import { secondsOfFrame, type FrameIndex, type FrameTable, type Seconds } from '../footage/index.ts';
import type { CoachShape } from './coachCorner.ts';
import { offsetAfter, type TakeComparison } from './comparison.ts';
import { frameOfMotion, type MotionFrom } from './motion.ts';
import type { OpenNote, Stroke, TakeDrawing, TakeEvent } from './take.ts';

/** What is seen on the desk at an instant. */
export interface DeskLook {
  frame: FrameIndex;
  /** How fast the footage runs; 0: it rests, or is stepped through. */
  rate: number;
  view: StageView;
  mirrored: boolean;
  /** Drawings of the desk that can be seen on this frame. */
  drawings: readonly TakeDrawing[];
  note: OpenNote | null;
  /** The compare tray, where it lies over the stage. */
  compare: TakeComparison | null;
  /** How the coach is seen; the same from the beginning of a part to its end. */
  coach: CoachShape | null;
}

/**
 * While the footage runs, the picture may be this far from where the log says, in seconds: browsers tell of a picture a little before or
 * after they paint it. Beyond it (a loop that begins again, a lull that is passed over) the log says where it is now.
 */
export const runSlack: Seconds = 0.1;

/** Writes the log of a take: what is looked at is told again and again, and what has changed since becomes events. */
export interface DeskLog {
  /** What has changed; the first look is the whole stage. `t` ascends, in seconds of the recording. */
  look: (t: Seconds, now: DeskLook) => TakeEvent[];
  /** A stroke that was drawn from `began` until now, and then became a drawing of the desk: it is seen growing, then as that drawing. */
  stroke: (began: Seconds, t: Seconds, stroke: Stroke) => TakeEvent[];
}

const sameView = (a: StageView, b: StageView): boolean => a.zoom === b.zoom && a.x === b.x && a.y === b.y;
const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** Where the footage is now, where that does not follow from the log so far. */
function movement(motion: MotionFrom, t: Seconds, { frame, rate }: DeskLook, table: FrameTable): TakeEvent | null {
  if (rate === 0) {
    if (motion.rate !== 0) return { t, kind: 'stop', frame };
    return frame === motion.frame ? null : { t, kind: 'show', frame };
  }
  const expected = frameOfMotion(motion, t, table);
  const off = Math.abs(secondsOfFrame(table, frame) - secondsOfFrame(table, expected));
  return rate === motion.rate && off <= runSlack ? null : { t, kind: 'run', frame, rate };
}

/** Whether the tray shows what the log says that it shows by now: `passed` seconds after that was written down. */
function sameComparison(logged: TakeComparison | null, now: TakeComparison | null, passed: Seconds): boolean {
  if (!logged || !now) return logged === now;
  const slack = now.rate === 0 ? 1e-6 : runSlack;
  return Math.abs(offsetAfter(logged, passed) - now.offset) <= slack && same({ ...logged, offset: 0 }, { ...now, offset: 0 });
}

/** `table`: of the footage that is looked at. */
export function deskLog(table: FrameTable): DeskLog {
  let last: DeskLook | null = null;
  let motion: MotionFrom = { t: 0, frame: 0, rate: 0 };
  let compared: { t: Seconds; shown: TakeComparison | null } = { t: 0, shown: null };
  return {
    look: (t, now) => {
      const before = last;
      last = now;
      if (!before) {
        motion = { t, frame: now.frame, rate: now.rate };
        compared = { t, shown: now.compare };
        const { coach, ...seen } = now;
        return [{ t, kind: 'stage', ...seen, strokes: [], ...(coach && { coach }) }];
      }
      const events: TakeEvent[] = [];
      const moved = movement(motion, t, now, table);
      if (moved && 'frame' in moved) {
        motion = { t, frame: moved.frame, rate: now.rate };
        events.push(moved);
      }
      if (!sameView(before.view, now.view)) events.push({ t, kind: 'view', zoom: now.view.zoom, x: now.view.x, y: now.view.y });
      if (before.mirrored !== now.mirrored) events.push({ t, kind: 'mirror', on: now.mirrored });
      if (!same(before.drawings, now.drawings)) events.push({ t, kind: 'drawings', shown: now.drawings });
      if (!same(before.note, now.note)) {
        if (before.note && before.note.id !== now.note?.id) events.push({ t, kind: 'note', id: before.note.id, open: false, words: '' });
        if (now.note) events.push({ t, kind: 'note', id: now.note.id, open: true, words: now.note.words });
      }
      if (!sameComparison(compared.shown, now.compare, t - compared.t)) {
        compared = { t, shown: now.compare };
        events.push({ t, kind: 'compare', shown: now.compare });
      }
      return events;
    },
    stroke: (began, t, stroke) => [
      { t: began, kind: 'stroke', ...stroke },
      { t, kind: 'rub', id: stroke.id },
    ],
  };
}

/** Events in the order of time; those of one instant keep the order in which they were written down. */
export const inOrder = (events: readonly TakeEvent[]): TakeEvent[] => [...events].sort((a, b) => a.t - b.t);

/**
 * Joins what was recorded one part after another. Each part's events are in its own seconds; what was logged after the last sound of a part
 * that was cut off (a tab that died) happened at its end.
 */
export function joinedParts(parts: readonly { seconds: Seconds; events: readonly TakeEvent[] }[]): TakeEvent[] {
  let begins = 0;
  return parts.flatMap(({ seconds, events }) => {
    const at = begins;
    begins += seconds;
    return inOrder(events).map((event) => ({ ...event, t: at + Math.min(event.t, seconds) }));
  });
}
