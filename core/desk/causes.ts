import type { CodedCut, CodedEvent } from './coding.ts';
import type { DeskDocument } from './deskDocument.ts';

/** What a cause may be, and what may be caused: a note, or what is coded: an event, or a change of position. */
export type LinkedEntity = 'note' | 'event' | 'cut';

/** Something with what it was caused by, on the first frame of its footage that it stands on. */
export interface Linked {
  entity: LinkedEntity;
  id: string;
  footageId: string;
  atFrame: number;
  causes: readonly string[];
}

/** Footage in the order of a request, with what a second camera is laid beside. */
export type FootageOrder = readonly { id: string; alignment: { toFootageId: string } | null }[];

type Shelves = Pick<DeskDocument, 'notes' | 'events' | 'cuts'>;

/** Everything on a desk that can be linked, by its id. */
export function linkedThings({ notes, events, cuts }: Shelves): Map<string, Linked> {
  const things = new Map<string, Linked>();
  const led = new Map<string, string[]>();
  for (const { id, footageId, fromFrame, causes, ledTo } of Object.values(notes)) {
    things.set(id, { entity: 'note', id, footageId, atFrame: fromFrame, causes });
    for (const effectId of ledTo) led.set(effectId, [...(led.get(effectId) ?? []), id]);
  }
  for (const [entity, shelf] of [['event', events] as const, ['cut', cuts] as const])
    for (const { id, footageId, atFrame } of Object.values<CodedEvent | CodedCut>(shelf))
      things.set(id, { entity, id, footageId, atFrame, causes: led.get(id) ?? [] });
  return things;
}

/**
 * Which of two things comes first: below 0 the one, above 0 the other; 0 where neither can be said to, on one frame or filmed by two
 * cameras at once.
 */
export function timeOrder(
  footages: FootageOrder,
  one: Pick<Linked, 'footageId' | 'atFrame'>,
  other: Pick<Linked, 'footageId' | 'atFrame'>,
) {
  if (one.footageId === other.footageId) return one.atFrame - other.atFrame;
  // A second camera shows what the first one does: it stands where that stands.
  const place = (footageId: string): number => {
    const mainId = footages.find(({ id }) => id === footageId)?.alignment?.toFootageId ?? footageId;
    return footages.findIndex(({ id }) => id === mainId);
  };
  return place(one.footageId) - place(other.footageId);
}

/**
 * Why something cannot be said to be caused by another, in words; null when it can. Links run forward in time: a cause is not later than
 * its effect, though it may lie in earlier footage of the request, and nothing is, through others, its own cause.
 */
export function causeFault(things: ReadonlyMap<string, Linked>, footages: FootageOrder, effectId: string, causeId: string): string | null {
  const [effect, cause] = [things.get(effectId), things.get(causeId)];
  if (!effect || !cause) return `That ${(effect ?? cause)?.entity === 'cut' ? 'change' : 'note'} is not here any more.`;
  if (effectId === causeId) return 'A note cannot be its own cause.';
  if (effect.causes.includes(causeId)) return 'That is linked already.';
  if (timeOrder(footages, cause, effect) > 0) return 'A cause cannot be later than what it led to. Pick an earlier note.';
  return chainOf(things, causeId).includes(effectId) ? 'That would make a circle: the earlier note was caused by this one.' : null;
}

/** All that something goes back to, through others, each once; itself first. */
export function chainOf(things: ReadonlyMap<string, Linked>, id: string): string[] {
  const found = new Set([id]);
  for (const one of found) for (const cause of things.get(one)?.causes ?? []) if (things.has(cause)) found.add(cause);
  return [...found];
}

/** All that something led to, through others, each once, without itself. */
export function ledToBy(things: ReadonlyMap<string, Linked>, id: string): string[] {
  const found = new Set([id]);
  for (const one of found) for (const thing of things.values()) if (thing.causes.includes(one)) found.add(thing.id);
  found.delete(id);
  return [...found];
}

/**
 * Why the links of something cannot stand where it is now, in words; null when they can. Asked when it is moved or linked: both what it was
 * caused by and what it led to are looked at.
 */
export function linksFault(things: ReadonlyMap<string, Linked>, footages: FootageOrder, id: string): string | null {
  const thing = things.get(id);
  if (!thing) return null;
  const led = [...things.values()].filter(({ causes }) => causes.includes(id));
  for (const [effect, causeId] of [...thing.causes.map((cause) => [thing, cause] as const), ...led.map((other) => [other, id] as const)]) {
    // A cause that was taken away since is no fault of this thing.
    if (!things.has(causeId)) continue;
    const unlinked = new Map(things).set(effect.id, { ...effect, causes: effect.causes.filter((other) => other !== causeId) });
    const fault = causeFault(unlinked, footages, effect.id, causeId);
    if (fault) return fault;
  }
  return null;
}
