import { useEffect, useRef } from 'react';

/** A stretch is told after so many seconds, though it goes on: whoever closes the page has heard it all the same. */
const tellAfter = 10;
/** The clock moves on by less than this between two looks; more is a jump. */
const mostBetween = 1.5;

/** Tells which stretches are listened to, in seconds of what is heard. */
export function useListened(
  audio: HTMLMediaElement | null,
  heard: number,
  onStretch: ((from: number, to: number) => void) | undefined,
): void {
  const stretch = useRef<{ from: number; to: number } | null>(null);
  const latest = useRef(onStretch);
  useEffect(() => {
    latest.current = onStretch;
  });
  useEffect(() => {
    if (!audio) return;
    const tell = (): void => {
      const now = stretch.current;
      stretch.current = null;
      if (now && now.to - now.from > 0.5) latest.current?.(now.from, now.to);
    };
    audio.addEventListener('pause', tell);
    addEventListener('pagehide', tell);
    return () => {
      tell();
      audio.removeEventListener('pause', tell);
      removeEventListener('pagehide', tell);
    };
  }, [audio]);
  useEffect(() => {
    if (!audio || audio.paused) return;
    const now = stretch.current;
    const goesOn = now && heard >= now.to && heard - now.to < mostBetween;
    if (now && !goesOn && now.to - now.from > 0.5) latest.current?.(now.from, now.to);
    stretch.current = goesOn ? { from: now.from, to: heard } : { from: heard, to: heard };
    if (goesOn && heard - now.from >= tellAfter) {
      latest.current?.(now.from, heard);
      stretch.current = { from: heard, to: heard };
    }
  }, [audio, heard]);
}
