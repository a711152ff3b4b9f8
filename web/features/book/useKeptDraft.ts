import { useState } from 'react';
import { z } from 'zod';
import { browserShelf } from '../../shared/keeping/index.ts';

const shelfOf = (id: string) => browserShelf({ name: 'entry', subject: id, schema: z.looseObject({ id: z.literal(id) }) });

const sameKind = (a: unknown, b: unknown): boolean => typeof a === typeof b && Array.isArray(a) === Array.isArray(b);
/** Of what was kept the fields that an entry still has, and has in this way. */
const fitting = <T extends object>(kept: object | null, entry: T): Partial<T> =>
  Object.fromEntries(Object.entries(kept ?? {}).filter(([key, value]) => sameKind(value, entry[key as keyof T]))) as Partial<T>;

/** What is being written of an entry; it outlives leaving the page, until it is saved or dropped. */
export function useKeptDraft<T extends { id: string }>(entry: T): [draft: T, change: (fields: Partial<T>) => void, drop: () => void] {
  const [shelf] = useState(() => shelfOf(entry.id));
  const [draft, setDraft] = useState<T>(() => ({ ...entry, ...fitting(shelf.read(), entry) }));
  const change = (fields: Partial<T>): void => {
    const next = { ...draft, ...fields };
    setDraft(next);
    shelf.put(next);
  };
  return [draft, change, shelf.clear];
}

export const hasKeptDraft = (id: string): boolean => shelfOf(id).read() !== null;
