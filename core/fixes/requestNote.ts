import type { HarmNote } from './ownHarm.ts';
import type { RankNote } from './rankFixes.ts';

/** A note of the request, at seconds of its bout; of its footage where no bout is known. */
export interface RequestNote extends HarmNote {
  principleId: string | null;
  what: string;
  seen: RankNote['seen'];
  /** Place of its footage among the request's, from 0. */
  footage: number;
  /** Index into the request's bouts; null where it lies in none. */
  bout: number | null;
  /** On one clock for the whole request (see `footageStarts`): for the order of time. */
  requestSeconds: number;
}

/** A note on frames, as the desk has it. */
export type FramedNote = Omit<HarmNote, 'atSeconds' | 'endSeconds'> &
  Pick<RequestNote, 'principleId' | 'what' | 'seen'> & { fromFrame: number; toFrame: number | null };

/**
 * Where the footage of a note lies, and what frames are in seconds there; `boutFrom` is the first frame of the note's bout, if it has one.
 */
export interface NotePlace {
  footage: number;
  bout: number | null;
  boutFrom: number | null;
  /** Where its footage begins on the request's clock. */
  startsAt: number;
  secondsAt: (frame: number) => number;
}

/** Longer than any footage, in seconds. */
const footageApart = 86_400;

/**
 * Where each footage begins on one clock for the whole request, in seconds, by its id: one after another in their order, each so far from
 * the next that none overlap; a second camera beside the first, as it is aligned with it.
 */
export function footageStarts(
  footages: readonly { id: string; alignment: { toFootageId: string; offsetSeconds: number } | null }[],
): Map<string, number> {
  const starts = new Map(footages.map(({ id }, i) => [id, i * footageApart]));
  for (const { id, alignment } of footages)
    if (alignment) starts.set(id, footages.findIndex((one) => one.id === alignment.toFootageId) * footageApart + alignment.offsetSeconds);
  return starts;
}

/** A note of the desk at seconds of its bout and its footage. */
export function requestNoteOf(note: FramedNote, { footage, bout, boutFrom, startsAt, secondsAt }: NotePlace): RequestNote {
  const { id, kind, athlete, severity, causes, principleId, what, seen, fromFrame, toFrame } = note;
  const footageSeconds = secondsAt(fromFrame);
  const start = boutFrom === null ? 0 : secondsAt(boutFrom);
  return {
    id,
    kind,
    athlete,
    severity,
    causes,
    principleId,
    what,
    seen,
    footage,
    bout,
    requestSeconds: startsAt + footageSeconds,
    atSeconds: footageSeconds - start,
    endSeconds: (toFrame === null ? footageSeconds : secondsAt(toFrame)) - start,
  };
}
