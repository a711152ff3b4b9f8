import type { rooms, Role, TrailEntry } from '@lean-mentor/contract';
import { format } from 'date-fns';

/** What the operations of each room are about, as it is said to whom it is about. */
const about: Record<keyof typeof rooms, string> = {
  access: 'the sign-in',
  joining: 'the sign-in',
  clients: 'what hurts and what was agreed',
  requests: 'the request',
  footage: 'the footage',
  uploads: 'the footage',
  bouts: 'where bouts begin and end',
  practice: 'the plan',
  money: 'invoices',
  queue: 'when it is done, and by whom',
  desk: 'notes, drawings and pictures on the desk',
  scoring: 'the score and what was counted',
  book: 'the book',
  fixes: 'which fixes come first',
  critique: 'the critique',
  links: 'links to read',
  followup: 'progress',
  search: 'what was said',
  takes: 'what is spoken',
  films: 'films of what is spoken',
  letters: 'letters',
  work: 'the work on the mat',
  rights: 'this page',
  health: 'the house',
};

const roles: Record<Role, string> = { coach: 'coach', assistant: 'assistant', client: 'client', guardian: 'guardian' };

/** What one person did on one day. */
export interface TrailPerson {
  who: string;
  role: string;
  /** "9:00 to 11:59"; the hours are whole. */
  between: string;
  changed: string[];
  saw: string[];
}
export interface TrailDay {
  day: string;
  people: TrailPerson[];
}

const wordsOf = (entries: readonly TrailEntry[]): string[] => [
  ...new Set(entries.map(({ room }) => (about as Record<string, string>)[room] ?? 'something else')),
];

function personOf(entries: readonly TrailEntry[]): TrailPerson {
  const hours = entries.map(({ hourAt }) => new Date(hourAt)).sort((a, b) => a.getTime() - b.getTime());
  const changed = wordsOf(entries.filter((entry) => entry.changed));
  return {
    who: entries[0]!.who,
    role: roles[entries[0]!.role],
    between: `${format(hours[0]!, 'H:00')} to ${format(hours.at(-1)!, 'H:59')}`,
    changed,
    // Whoever changes something has seen it.
    saw: wordsOf(entries.filter((entry) => !entry.changed)).filter((words) => !changed.includes(words)),
  };
}

/** Entries by what `of` says of them, in the order in which that is first said. */
function grouped(entries: readonly TrailEntry[], of: (entry: TrailEntry) => string): [string, TrailEntry[]][] {
  const groups = new Map<string, TrailEntry[]>();
  for (const entry of entries) groups.set(of(entry), [...(groups.get(of(entry)) ?? []), entry]);
  return [...groups];
}

/** What was noted, by days and people; newest day first, as it came. Days are those of the reader's clock. */
export function trailDays(entries: readonly TrailEntry[]): TrailDay[] {
  return grouped(entries, ({ hourAt }) => format(hourAt, 'EEEE d MMMM yyyy')).map(([day, ofDay]) => ({
    day,
    people: grouped(ofDay, ({ who, role }) => `${role} ${who}`).map(([, ofPerson]) => personOf(ofPerson)),
  }));
}
