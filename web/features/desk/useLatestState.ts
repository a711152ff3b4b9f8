import { useCallback, useRef, useState } from 'react';

/**
 * A state that is read where it stands now, not where it stood when the page was last drawn: keys and pointers come faster than that.
 * Answers what to show, how to read it, and how to set it.
 */
export function useLatestState<State>(initial: State | (() => State)): [shown: State, now: () => State, set: (next: State) => void] {
  const [shown, show] = useState(initial);
  const latest = useRef(shown);
  const now = useCallback(() => latest.current, []);
  const set = useCallback((next: State) => {
    latest.current = next;
    show(next);
  }, []);
  return [shown, now, set];
}
