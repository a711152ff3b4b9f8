import { deskKinds, itemsOf, type DeskDocument, type DeskEntity, type DeskItem } from './deskDocument.ts';

interface Change<Entity extends DeskEntity> {
  /** Made by the client, so that a change sent twice is taken once. */
  changeId: string;
  entity: Entity;
  id: string;
  /** Null: the thing did not exist. Otherwise the old values of exactly the fields that `after` sets. */
  before: Partial<DeskItem<Entity>> | null;
  /** Null: the thing is taken away. */
  after: Partial<DeskItem<Entity>> | null;
}

/** One edit on the desk as a pure diff: the same diff feeds the screen, autosave and undo. */
export type DeskChange = { [Entity in DeskEntity]: Change<Entity> }[DeskEntity];

/**
 * The document after a change; the given one stays as it is. Changing or removing what is not there leaves the document
 * as it was (another tab removed it first), and creating what is there replaces it.
 */
export function applyDeskChange(document: DeskDocument, change: DeskChange): DeskDocument {
  const shelf = deskKinds[change.entity].shelf;
  const things: Record<string, object> = itemsOf(document, change.entity);
  const present = things[change.id];
  if (change.after === null) {
    if (!present) return document;
    const { [change.id]: _removed, ...rest } = things;
    return { ...document, [shelf]: rest };
  }
  if (change.before !== null && !present) return document;
  const base = change.before === null ? {} : present;
  return { ...document, [shelf]: { ...things, [change.id]: { ...base, ...change.after, id: change.id } } };
}

/** The change that takes `change` back. Removal keeps the whole thing in `before`, so its inverse creates it again. */
export const inverseDeskChange = (change: DeskChange, changeId: string): DeskChange =>
  ({ ...change, changeId, before: change.after, after: change.before }) as DeskChange;

/** A change that sets `fields` on a thing, with the old values taken from the document; null when it is not there. */
export function patchDesk<Entity extends DeskEntity>(
  document: DeskDocument,
  entity: Entity,
  id: string,
  fields: Partial<DeskItem<Entity>>,
  changeId: string,
): DeskChange | null {
  const present = itemsOf(document, entity)[id] as Record<string, unknown> | undefined;
  if (!present) return null;
  const before = Object.fromEntries(Object.keys(fields).map((key) => [key, present[key]]));
  return { changeId, entity, id, before, after: fields } as DeskChange;
}

/** A change that takes a thing away, keeping all of it for undo; null when it is not there. */
export function removeFromDesk(document: DeskDocument, entity: DeskEntity, id: string, changeId: string): DeskChange | null {
  const present = itemsOf(document, entity)[id];
  return present ? ({ changeId, entity, id, before: present, after: null } as DeskChange) : null;
}
