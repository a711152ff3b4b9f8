import { useEffect, useState, useSyncExternalStore } from 'react';
import type { Keeping } from './keeper.ts';

interface Kept {
  snapshot: () => Keeping;
  subscribe: (listener: () => void) => () => void;
  flush: () => Promise<boolean>;
}

/** A keeper for as long as its part of the page is there, and where it stands. Leaving that part, or the page, sends what waits. */
export function useKept<K extends Kept>(make: () => K): [K, Keeping] {
  const [kept] = useState(make);
  const now = useSyncExternalStore(kept.subscribe, kept.snapshot);
  useEffect(() => {
    const send = (): void => void kept.flush();
    addEventListener('pagehide', send);
    // Back on the network there is no reason to wait out the pause.
    addEventListener('online', send);
    return () => {
      removeEventListener('pagehide', send);
      removeEventListener('online', send);
      send();
    };
  }, [kept]);
  return [kept, now];
}
