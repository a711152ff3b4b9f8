import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { chainOf, type Note } from '@lean-mentor/core/desk';
import { candidateOf } from '@lean-mentor/core/fixes';

/** A request with its client and everything that is noted of it. */
export type LadderSubject = ResponseOf<typeof contract.openDesk>;

const isWrong = ({ kind, athlete }: Note): boolean =>
  athlete === 'client' && (kind === 'mistake' || kind === 'missed-chance' || kind === 'caution');

/** The notes that speak for a candidate, in the order of the day. */
export function notesOfCandidate({ request, document }: LadderSubject, id: string): Note[] {
  const places = new Map(request.footages.map((footage, i) => [footage.id, i]));
  return Object.values(document.notes)
    .filter((note) => isWrong(note) && candidateOf(note) === id)
    .sort((a, b) => (places.get(a.footageId) ?? 0) - (places.get(b.footageId) ?? 0) || a.fromFrame - b.fromFrame);
}

/** Where the chain of these notes began, in the words of its first note; null where it began with them, or with their own principle. */
export function whereItBegan({ document }: LadderSubject, notes: readonly Note[]): string | null {
  const byId = new Map(Object.entries(document.notes));
  const roots = notes.flatMap((note) =>
    chainOf(byId, note.id)
      .slice(1)
      .filter((id) => document.notes[id]?.causes.length === 0),
  );
  const root = roots[0] && document.notes[roots[0]];
  return root && root.principleId !== notes[0]?.principleId ? `It began with: ${root.what}` : null;
}
