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
  /**
   * Who changed a field of the thing last (null: the thing as a whole), as far as is known; null where it was the same person, who in
   * two tabs is one author and is asked nothing.
   */
  lastBy: (field: string | null) => string | null;
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

/** Whether a change does not find what it changes from: then it matters who was there before. */
export function meetsOthers({ before, after }: DeskChange, present: Fields | null): boolean {
  if (!present) return before !== null;
  const known = (before ?? present) as Fields;
  const fields = after === null ? Object.keys(known) : Object.keys(after).filter((key) => key !== 'id');
  return fields.some((key) => !sameJson(present[key], known[key]));
}

/**
 * What a change comes to where others may have changed the same meanwhile: the changes to apply, in order. Different fields
 * merge. Of the same field the later value stands and the other is set aside in a conflict. An edit beats taking away: what one
 * took away and another changed is there again, with a conflict that says so.
 */
export function mergeDeskChange(change: DeskChange, meeting: Meeting): DeskChange[] {
  const { present, removed, by, lastBy, newId } = meeting;
  /** A conflict with whoever changed the field last; none with oneself. `mine`: whether what stands is this change's. */
  const conflict = (field: string | null, stands: unknown, aside: unknown, mine: boolean): DeskChange[] => {
    const last = lastBy(field);
    if (last === null) return [];
    const [standsBy, asideBy] = mine ? [by, last] : [last, by];
    const id = newId();
    const made: Conflict = { id, of: change.entity, thingId: change.id, field, stands, aside, standsBy, asideBy };
    return [{ changeId: newId(), entity: 'conflict', id, before: null, after: made }];
  };
  // Settling a conflict is no conflict of its own.
  const settled = change.entity === 'conflict';

  if (change.after === null) {
    if (!present) return [];
    const untouched = settled || Object.entries(change.before ?? {}).every(([key, value]) => sameJson(present[key], value));
    // What one changed in another tab and takes away here is taken away: the later wish counts.
    const left = untouched ? [] : conflict(null, 'changed', 'taken away', false);
    return left.length === 0 ? [{ ...change, before: present } as DeskChange] : left;
  }
  const after = change.after as Fields;
  if (!present) {
    if (change.before === null) return [change];
    if (!removed || settled) return [];
    const whole = { ...removed, ...after, id: change.id };
    return [{ ...change, before: null, after: whole } as DeskChange, ...conflict(null, 'changed', 'taken away', true)];
  }
  // Made again what is there (an undo that met another's): as an edit of everything, which nobody has seen before.
  const before = (change.before ?? present) as Fields;
  const fields = Object.keys(after).filter((key) => key !== 'id');
  const clashing = fields.filter((key) => !sameJson(present[key], before[key]) && !sameJson(present[key], after[key]));
  const patch = { ...change, before: Object.fromEntries(fields.map((key) => [key, present[key]])), after: change.after } as DeskChange;
  return [patch, ...(settled ? [] : clashing.flatMap((field) => conflict(field, after[field], present[field], true)))];
}
