import type { Note } from './deskDocument.ts';

/** A client's mark and a note are about the same when they lie this close, in seconds. */
const sameMomentSeconds = 2;

interface ClientMark {
  id: string;
  footageId: string;
  atSeconds: number;
}
type Judged = Pick<Note, 'id' | 'footageId' | 'kind' | 'athlete' | 'fromFrame' | 'toFrame' | 'visible'>;

/** What the review makes of the client's own marks. */
export interface Agreement {
  /** Marks that a mistake or missed chance of the client stands at, with the nearest such note. */
  agreed: { markId: string; noteId: string }[];
  /** Marks where the review found nothing of the kind. */
  notShared: string[];
  /** Mistakes and missed chances of the client that they had not marked. */
  notSeen: string[];
}

/** Lays the client's marks beside the review. A note counts from its first frame to its last. */
export function agreementWithClient(
  marks: readonly ClientMark[],
  notes: readonly Judged[],
  secondsAt: (footageId: string, frame: number) => number,
): Agreement {
  const faults = notes.filter((note) => note.athlete === 'client' && (note.kind === 'mistake' || note.kind === 'missed-chance'));
  const apart = (mark: ClientMark, note: Judged): number => {
    if (mark.footageId !== note.footageId) return Infinity;
    const from = secondsAt(note.footageId, note.fromFrame);
    const to = note.toFrame === null ? from : secondsAt(note.footageId, note.toFrame - 1);
    return Math.max(0, from - mark.atSeconds, mark.atSeconds - to);
  };
  const agreed: Agreement['agreed'] = [];
  const notShared: string[] = [];
  const seen = new Set<string>();
  for (const mark of marks) {
    const near = faults.filter((note) => apart(mark, note) <= sameMomentSeconds).sort((a, b) => apart(mark, a) - apart(mark, b));
    for (const note of near) seen.add(note.id);
    if (near[0]) agreed.push({ markId: mark.id, noteId: near[0].id });
    else notShared.push(mark.id);
  }
  return { agreed, notShared, notSeen: faults.filter((note) => !seen.has(note.id)).map((note) => note.id) };
}
