import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { chainOf, linkedThings, thingWords, type Note } from '@lean-mentor/core/desk';
import { candidateOf, type OwnHarm } from '@lean-mentor/core/fixes';
import { harmWords } from './partWords.ts';

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

/**
 * Where the chain of these notes began, in the words of its first note or of what happened; null where it began with them, or with their
 * own principle.
 */
export function whereItBegan({ document }: LadderSubject, notes: readonly Note[]): string | null {
  const things = linkedThings(document);
  const rootId = notes
    .flatMap(({ id }) => chainOf(things, id).slice(1))
    .find((id) => things.get(id)!.causes.filter((cause) => things.has(cause)).length === 0);
  if (rootId === undefined) return null;
  const root = document.notes[rootId];
  return root && notes[0] && candidateOf(root) === candidateOf(notes[0]) ? null : `It began with: ${thingWords(document, rootId)}`;
}

/** What happened that these notes are linked to as its causes, and what it cost; null where there is nothing. */
export function whatItLedTo({ document }: LadderSubject, notes: readonly Note[], harms: Readonly<Record<string, OwnHarm>>): string | null {
  const ids = new Set(notes.map(({ id }) => id));
  const led = [...linkedThings(document).values()].filter(({ entity, causes }) => entity !== 'note' && causes.some((id) => ids.has(id)));
  if (led.length === 0) return null;
  return `It led to: ${led
    .map(({ id }) => {
      const cost = harms[id] && harmWords(harms[id]);
      return cost ? `${thingWords(document, id)} (${cost})` : thingWords(document, id);
    })
    .join('; ')}`;
}
