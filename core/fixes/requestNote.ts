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
  /** On the footage's own clock: for the order of time. */
  footageSeconds: number;
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
  secondsAt: (frame: number) => number;
}

/** A note of the desk at seconds of its bout and its footage. */
export function requestNoteOf(note: FramedNote, { footage, bout, boutFrom, secondsAt }: NotePlace): RequestNote {
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
    footageSeconds,
    atSeconds: footageSeconds - start,
    endSeconds: (toFrame === null ? footageSeconds : secondsAt(toFrame)) - start,
  };
}
