import { useEffect, useState } from 'react';

const keyOf = (id: string): string => `lean-mentor book ${id}`;

/** What is being written of an entry; it outlives leaving the page, until it is saved or dropped. */
export function useKeptDraft<T extends { id: string }>(entry: T): [draft: T, change: (fields: Partial<T>) => void, drop: () => void] {
  const [draft, setDraft] = useState<T>(() => {
    const kept = sessionStorage.getItem(keyOf(entry.id));
    return kept ? { ...entry, ...(JSON.parse(kept) as T) } : entry;
  });
  useEffect(() => {
    if (draft !== entry) sessionStorage.setItem(keyOf(entry.id), JSON.stringify(draft));
  }, [draft, entry]);
  return [draft, (fields) => setDraft((before) => ({ ...before, ...fields })), () => sessionStorage.removeItem(keyOf(entry.id))];
}

export const hasKeptDraft = (id: string): boolean => sessionStorage.getItem(keyOf(id)) !== null;
