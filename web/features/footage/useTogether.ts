import { comparedSpan, steppedOffset, type Compared } from '@lean-mentor/core/desk';
import type { TakeCompared } from '@lean-mentor/core/takes';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';

/** How fast they play together. */
const playSpeed = 0.5;

export interface Together {
  /** What is compared, as far as its frame times have come. */
  all: readonly Compared[];
  takeTable: (footageId: string, table: Compared['table']) => void;
  /** How far all are from their anchors, in seconds. */
  offset: number;
  playing: boolean;
  /** How fast the offset grows. */
  rate: number;
  setPlaying: (playing: boolean) => void;
  /** By so many frames, of the one whose frames are shortest. */
  step: (frames: number) => void;
  goTo: (offset: number) => void;
}

/** Several footages moved together from their anchors. */
export function useTogether(items: readonly Pick<TakeCompared, 'footageId' | 'anchorFrame' | 'range'>[]): Together {
  const [tables, setTables] = useState<Readonly<Record<string, Compared['table']>>>({});
  const takeTable = useCallback((footageId: string, table: Compared['table']) => setTables((now) => ({ ...now, [footageId]: table })), []);
  const all = useMemo(
    () =>
      items.flatMap(({ footageId, anchorFrame, range }): Compared[] => {
        const table = tables[footageId];
        return table ? [{ table, anchorFrame, range }] : [];
      }),
    [items, tables],
  );
  const [offset, setOffset] = useState(0);
  const [playing, setPlaying] = useState(false);
  const latest = useRef(all);
  useEffect(() => {
    latest.current = all;
  });
  useEffect(() => {
    if (!playing) return;
    let last: number | null = null;
    let asked = requestAnimationFrame(function go(now) {
      const passed = last === null ? 0 : ((now - last) / 1000) * playSpeed;
      last = now;
      setOffset((before) => {
        // Ranges are played over and over; without one the footage goes on.
        const span = comparedSpan(latest.current);
        return span && before + passed > span.to ? span.from : before + passed;
      });
      asked = requestAnimationFrame(go);
    });
    return () => cancelAnimationFrame(asked);
  }, [playing]);
  const step = useCallback((frames: number): void => {
    setPlaying(false);
    setOffset((before) => {
      let at = before;
      for (let i = 0; i < Math.abs(frames); i++) at = steppedOffset(latest.current, at, frames > 0 ? 1 : -1);
      return at;
    });
  }, []);
  const goTo = useCallback((to: number): void => {
    setPlaying(false);
    setOffset(to);
  }, []);
  return { all, takeTable, offset, playing, rate: playing ? playSpeed : 0, setPlaying, step, goTo };
}

/** "+0.42 s": how far all are from their anchors. */
export const offsetText = (offset: number): string => `${offset >= 0 ? '+' : '−'}${Math.abs(offset).toFixed(2)} s`;
