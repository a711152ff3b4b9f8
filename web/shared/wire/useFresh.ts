import { useState } from 'react';

/**
 * Whether an answer came since the page was opened. What is edited must begin with it: an older one, which may lie in the cache from the
 * last
 * visit, would be saved over what was decided since. Asking again later changes nothing.
 */
export function useFresh(fulfilledTimeStamp: number | undefined): boolean {
  const [openedAt] = useState(() => Date.now());
  return (fulfilledTimeStamp ?? 0) >= openedAt;
}
