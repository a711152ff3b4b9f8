import { useRef } from 'react';
import { useGetViewingQuery } from './api.ts';

/** A page that was open overnight asks for new addresses; one whose network is gone does not ask without end, in ms. */
const leastBetweenMs = 10_000;

/** Addresses of a ready footage's files for whoever is signed in. `askAgain` is for when they no longer load. */
export function useViewing(footageId: string, { skip = false } = {}) {
  const { data, refetch } = useGetViewingQuery(footageId, { skip });
  const askedAt = useRef(0);
  const askAgain = (): void => {
    // What was never asked for cannot be asked for again: of footage that is not ready yet a later part comes by itself.
    if (skip || Date.now() - askedAt.current < leastBetweenMs) return;
    askedAt.current = Date.now();
    void refetch();
  };
  return { addresses: data, askAgain };
}
