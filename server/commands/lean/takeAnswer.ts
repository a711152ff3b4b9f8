import type { ReadTake } from '@lean-mentor/contract';
import { captionAt, chapterAt, cutClock, stageReader } from '@lean-mentor/core/takes';

export type GoodTake = Exclude<ReadTake, { faults: string[] }>;

/** How long a take is after its cuts, in seconds. */
export const takeSeconds = ({ take }: GoodTake): number => cutClock(take).seconds;

/** `lean take FILE --at SECONDS`: the stage at an instant of the take as it is heard, its cuts taken out. */
export function takeAnswer({ take, table }: GoodTake, at: number) {
  const recorded = cutClock(take).toRecorded(at);
  const { frame, rate, view, mirrored, strokes, drawings, note, compare } = stageReader(take, table).stageAt(recorded);
  return {
    at,
    recordedAt: Math.round(recorded * 1e6) / 1e6,
    frame,
    rate,
    view,
    mirror: mirrored,
    strokes: strokes.map(({ reach: _, ...stroke }) => stroke),
    drawings,
    note,
    ...(compare && { compare }),
    caption: captionAt(take, recorded)?.words ?? null,
    chapter: chapterAt(take, recorded)?.title ?? null,
  };
}
