import { createContext, useContext, useState, useSyncExternalStore } from 'react';
import type { Watched } from '../../sheet/index.ts';

/** Where in the footage is what is spoken just now: the player tells it, the round sheets beside it follow. */
export interface Playhead extends Watched {
  tell: (footageId: string, frame: number) => void;
  /** Of which footage; null before anything has been played. */
  footageId: () => string | null;
}

function makePlayhead(): Playhead {
  const listeners = new Set<() => void>();
  let now: { footageId: string | null; frame: number } = { footageId: null, frame: 0 };
  return {
    tell: (footageId, frame) => {
      now = { footageId, frame };
      for (const listener of listeners) listener();
    },
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    footageId: () => now.footageId,
    frame: () => now.frame,
    moving: () => true,
  };
}

/** The playhead of one page. */
export const useNewPlayhead = (): Playhead => useState(makePlayhead)[0];

const playhead = createContext<Playhead | null>(null);
export const PlayheadProvider = playhead.Provider;
export const usePlayhead = (): Playhead | null => useContext(playhead);

const never = (): (() => void) => () => undefined;

/** The playhead where it is in this footage. */
export function usePlayheadIn(footageId: string): Watched | undefined {
  const now = usePlayhead();
  const isHere = useSyncExternalStore(now?.subscribe ?? never, () => now?.footageId() === footageId);
  return isHere && now ? now : undefined;
}
