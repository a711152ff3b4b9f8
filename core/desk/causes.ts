import type { Note } from './deskDocument.ts';

type Linked = Pick<Note, 'id' | 'footageId' | 'fromFrame' | 'causes'>;

/**
 * Why a note cannot be said to be caused by another, in words; null when it can. Links run forward in time: a cause is not later
 * than its effect, and nothing is, through others, its own cause.
 */
export function causeFault(notes: readonly Linked[], effectId: string, causeId: string): string | null {
  const byId = new Map(notes.map((note) => [note.id, note]));
  const [effect, cause] = [byId.get(effectId), byId.get(causeId)];
  if (!effect || !cause) return 'That note is not here any more.';
  if (effectId === causeId) return 'A note cannot be its own cause.';
  if (effect.footageId !== cause.footageId) return 'A cause lies in the same footage as what it led to.';
  if (effect.causes.includes(causeId)) return 'That is linked already.';
  if (cause.fromFrame > effect.fromFrame) return 'A cause cannot be later than what it led to. Pick an earlier note.';
  return chainOf(byId, causeId).includes(effectId) ? 'That would make a circle: the earlier note was caused by this one.' : null;
}

/** All that a note goes back to, through others, each once; the note itself first. */
export function chainOf(byId: ReadonlyMap<string, Linked>, noteId: string): string[] {
  const found = new Set([noteId]);
  for (const id of found) for (const cause of byId.get(id)?.causes ?? []) if (byId.has(cause)) found.add(cause);
  return [...found];
}

/** All that a note led to, through others, each once, without the note itself. */
export function ledToBy(byId: ReadonlyMap<string, Linked>, noteId: string): string[] {
  const found = new Set([noteId]);
  for (const id of found) for (const note of byId.values()) if (note.causes.includes(id)) found.add(note.id);
  found.delete(noteId);
  return [...found];
}

/**
 * Why the links of a note cannot stand where it is now, in words; null when they can. Asked when a note is moved or linked: both
 * what it was caused by and what it led to are looked at.
 */
export function linksFault(notes: readonly Linked[], noteId: string): string | null {
  const byId = new Map(notes.map((note) => [note.id, note]));
  const note = byId.get(noteId);
  if (!note) return null;
  const led = notes.filter((other) => other.causes.includes(noteId));
  const unlinked = (effect: Linked, causeId: string): Linked => ({ ...effect, causes: effect.causes.filter((id) => id !== causeId) });
  for (const [effect, causeId] of [...note.causes.map((id) => [note, id] as const), ...led.map((other) => [other, noteId] as const)]) {
    // A cause that was taken away since is no fault of this note.
    if (!byId.has(causeId)) continue;
    const others = notes.map((other) => (other.id === effect.id ? unlinked(effect, causeId) : other));
    const fault = causeFault(others, effect.id, causeId);
    if (fault) return fault;
  }
  return null;
}
