import { useSyncExternalStore } from 'react';
import { z } from 'zod';
import { browserShelf } from '../../../shared/keeping/index.ts';
import { keyWords, readKeyMap, type DeskKey, type KeyMap } from './deskKeys.ts';

const shelf = browserShelf({ name: 'keys', whose: 'browser', schema: z.unknown() });
const listeners = new Set<() => void>();

let map: KeyMap | null = null;

/** The keys of this browser: they belong to the keyboard that stands before it, not to the account. */
export const keyMap = (): KeyMap => (map ??= readKeyMap(shelf.read()));

export function setKeyMap(next: KeyMap): void {
  map = next;
  shelf.put(next);
  for (const listener of listeners) listener();
}

/** What the key at this place does. */
export const deskKeyOf = (code: string): DeskKey | undefined =>
  (Object.entries(keyMap()) as [DeskKey, string][]).find(([, at]) => at === code)?.[0];

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export const useKeyMap = (): KeyMap => useSyncExternalStore(subscribe, keyMap);

/** What stands on the key for something, for the words of a button. */
export function useKeyName(): (name: DeskKey) => string {
  const now = useKeyMap();
  return (name) => keyWords(now[name]);
}
