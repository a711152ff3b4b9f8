import type { DeskChange } from './deskChange.ts';
import type { Conflict } from './deskDocument.ts';

type Fields = Readonly<Record<string, unknown>>;

/** What is known where a change arrives. */
export interface Meeting {
  /** The thing as it stands; null when it is not there. */
  present: Fields | null;
  /** The thing as it was when somebody took it away; null when nobody did. */
  removed: Fields | null;
  /** Who made the change. */
  by: string;
  /** Who changed the thing last, as far as is known. */
  lastBy: string;
  newId: () => string;
}

/** Whether two values of JSON are the same; a key that is undefined is as good as absent. */
export function sameJson(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((key) => sameJson((a as Fields)[key], (b as Fields)[key]));
}

/**
 * What a change comes to where others may have changed the same meanwhile: the changes to apply, in order. Different fields
 * merge. Of the same field the later value stands and the other is set aside in a conflict. An edit beats taking away: what one
 * took away and another changed is there again, with a conflict that says so.
 */
export function mergeDeskChange(change: DeskChange, meeting: Meeting): DeskChange[] {
  const { present, removed, by, lastBy, newId } = meeting;
  const conflict = (field: string | null, stands: unknown, aside: unknown, standsBy: string, asideBy: string): DeskChange => {
    const id = newId();
    const made: Conflict = { id, of: change.entity, thingId: change.id, field, stands, aside, standsBy, asideBy };
    return { changeId: newId(), entity: 'conflict', id, before: null, after: made };
  };
  // Settling a conflict is no conflict of its own.
  const settled = change.entity === 'conflict';

  if (change.after === null) {
    if (!present) return [];
    const untouched = settled || Object.entries(change.before ?? {}).every(([key, value]) => sameJson(present[key], value));
    return untouched ? [{ ...change, before: present } as DeskChange] : [conflict(null, 'changed', 'taken away', lastBy, by)];
  }
  const after = change.after as Fields;
  if (!present) {
    if (change.before === null) return [change];
    if (!removed || settled) return [];
    const whole = { ...removed, ...after, id: change.id };
    return [{ ...change, before: null, after: whole } as DeskChange, conflict(null, 'changed', 'taken away', by, lastBy)];
  }
  // Made again what is there (an undo that met another's): as an edit of everything, which nobody has seen before.
  const before = (change.before ?? present) as Fields;
  const fields = Object.keys(after).filter((key) => key !== 'id');
  const clashing = fields.filter((key) => !sameJson(present[key], before[key]) && !sameJson(present[key], after[key]));
  const patch = { ...change, before: Object.fromEntries(fields.map((key) => [key, present[key]])), after: change.after } as DeskChange;
  return [patch, ...(settled ? [] : clashing.map((field) => conflict(field, after[field], present[field], by, lastBy)))];
}
