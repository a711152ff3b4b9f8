import type { FrameTable } from '../footage/index.ts';
import { cutClock, type CutClock } from './cuts.ts';
import { stageReader } from './stage.ts';
import type { StrokePoint, Take, TakeEvent, TakeStretch } from './take.ts';

/** A stroke whose points come when they are heard: what was drawn in a cut is there at once after it. */
function movedStroke<E extends { points: readonly StrokePoint[] }>(stroke: E, began: number, { toNew }: CutClock): E {
  const start = toNew(began);
  const points = stroke.points.map(([x, y, ms, ...pressure]): StrokePoint => [
    x,
    y,
    (toNew(began + ms / 1000) - start) * 1000,
    ...pressure,
  ]);
  return { ...stroke, points };
}

/** A stretch as it is heard; null where nothing of it is left. */
const movedStretch = <S extends TakeStretch>(stretch: S, { toNew }: CutClock): S | null => {
  const [from, to] = [toNew(stretch.from), toNew(stretch.to)];
  return to > from ? { ...stretch, from, to } : null;
};

/**
 * The same take as if what is cut out had never been recorded: every event, caption and chapter is moved with the voice. What was done in a
 * cut is seen as what it came to, in a whole stage where the cut is. `table`: of the footage.
 */
export function withoutCuts(take: Take, table: FrameTable): Take {
  const clock = cutClock(take);
  const { cuts, toNew } = clock;
  const { wholeAt } = stageReader(take, table);
  const moved = (event: TakeEvent): TakeEvent => {
    const t = toNew(event.t);
    if (event.kind === 'stroke') return { ...movedStroke(event, event.t, clock), t };
    if (event.kind !== 'stage') return { ...event, t };
    const strokes = event.strokes.map((stroke) => movedWhole(stroke, event.t));
    return { ...event, t, strokes };
  };
  const movedWhole = <S extends { ago: number; points: readonly StrokePoint[] }>(stroke: S, at: number): S => {
    const began = at - stroke.ago;
    return { ...movedStroke(stroke, began, clock), ago: toNew(at) - toNew(began) };
  };
  const inCut = (t: number): boolean => cuts.some(({ from, to }) => t >= from && t < to);
  const after = cuts.filter(({ to }) => to < take.seconds).map(({ to }): TakeEvent => moved(wholeAt(to)));
  const left = take.events.filter(({ t }) => !inCut(t)).map(moved);
  // What happens as a cut ends is in its whole stage already; done again it changes nothing.
  const events = [...after, ...left].sort((a, b) => a.t - b.t);
  return {
    seconds: clock.seconds,
    events: events.some(({ t }) => t === 0) ? events : [{ ...wholeAt(clock.toRecorded(0)), t: 0 }, ...events],
    cuts: [],
    captions: take.captions.flatMap((caption) => movedStretch(caption, clock) ?? []),
    chapters: chaptersAfter(take, clock),
  };
}

/** Chapters where they are heard; of several that a cut brought to one instant, the last. */
function chaptersAfter({ chapters }: Take, { toNew, seconds }: CutClock): Take['chapters'] {
  const moved = [...chapters].sort((a, b) => a.from - b.from).map(({ from, title }) => ({ from: toNew(from), title }));
  return moved.filter(({ from }, i) => from < seconds && moved[i + 1]?.from !== from);
}
