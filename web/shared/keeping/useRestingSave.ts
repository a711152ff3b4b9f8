import { useEffect, useRef } from 'react';

/** After a failed try the next one waits so long at first, and at most, in ms. */
const firstWaitMs = 1000;
const longestWaitMs = 30_000;

/**
 * Saves what is edited once it has rested for `restMs`, and at once when the page is left or the part of it goes away: what was changed
 * in the last half second is not lost. A try that failed for the network's or the server's sake is made again (`save` answers false);
 * only one runs at a time, and the newest value follows it. `value` is compared by identity; the first one counts as saved.
 */
export function useRestingSave<T>(value: T, save: (value: T) => Promise<boolean>, restMs: number): void {
  const here = useRef({
    value,
    saved: value,
    save,
    timer: undefined as ReturnType<typeof setTimeout> | undefined,
    busy: false,
    waitMs: firstWaitMs,
    restMs,
  });
  useEffect(() => {
    const now = here.current;
    now.value = value;
    now.save = save;
  });
  useEffect(() => {
    const now = here.current;
    const send = async (): Promise<void> => {
      clearTimeout(now.timer);
      if (now.busy || now.value === now.saved) return;
      now.busy = true;
      const sent = now.value;
      const taken = await now.save(sent).catch(() => false);
      now.busy = false;
      if (taken) {
        now.saved = sent;
        now.waitMs = firstWaitMs;
      } else now.waitMs = Math.min(longestWaitMs, now.waitMs * 2);
      if (now.value !== now.saved) now.timer = setTimeout(() => void send(), taken ? restMs : now.waitMs);
    };
    if (value !== now.saved) {
      clearTimeout(now.timer);
      now.timer = setTimeout(() => void send(), restMs);
    }
    const leave = (): void => void send();
    addEventListener('pagehide', leave);
    return () => {
      removeEventListener('pagehide', leave);
    };
  }, [value, restMs]);
  useEffect(() => {
    const now = here.current;
    return () => {
      clearTimeout(now.timer);
      if (now.value !== now.saved && !now.busy) void now.save(now.value).catch(() => undefined);
      // What a running save does not know of goes after it.
      else if (now.busy)
        now.timer = setTimeout(() => now.value !== now.saved && void now.save(now.value).catch(() => undefined), now.restMs);
    };
  }, []);
}
