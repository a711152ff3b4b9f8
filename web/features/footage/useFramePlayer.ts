import type { FrameTable } from '@lean-mentor/core/footage';
import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { FramePlayer } from './framePlayer.ts';
import type { PlayerState } from './playerState.ts';
import type { Copy } from './useCopy.ts';

const still: PlayerState = {
  frame: 0,
  playing: false,
  speed: 1,
  settled: false,
  picture: 'video',
  skipsLulls: false,
  loop: null,
  gliding: false,
  waits: false,
};
const never = (): (() => void) => () => undefined;

/** A player for a video element and its frame table. */
export function usePlayer(video: HTMLVideoElement | null, table: FrameTable | undefined): FramePlayer | null {
  const player = useMemo(() => (video && table ? new FramePlayer(video, table) : null), [video, table]);
  useEffect(() => {
    player?.start();
    return () => player?.dispose();
  }, [player]);
  return player;
}

/** The copy that is on the stage: a longer one is taken when nothing plays, so that no picture is lost under the eye. */
export function useTakenCopy(player: FramePlayer | null, copy: Copy): { copy: Copy; takeNow: () => void } {
  const [taken, setTaken] = useState(copy);
  const plays = useNow(player, ({ playing, picture }) => playing && picture === 'video');
  if (!plays && taken !== copy) setTaken(copy);
  useEffect(() => player?.grow(taken.table, taken.whole), [player, taken]);
  const takeNow = useCallback(() => player?.pause(), [player]);
  return { copy: taken, takeNow };
}

/** A part of what the player shows now: what uses it is redrawn only when that part changes. It must be plain or stay the same object. */
export function useNow<T>(player: FramePlayer | null, part: (state: PlayerState) => T): T {
  return useSyncExternalStore(player?.subscribe ?? never, () => part(player?.snapshot() ?? still));
}

const whole = (state: PlayerState): PlayerState => state;

/** A player, and all it shows now. */
export function useFramePlayer(
  video: HTMLVideoElement | null,
  table: FrameTable | undefined,
): { player: FramePlayer | null; now: PlayerState } {
  const player = usePlayer(video, table);
  return { player, now: useNow(player, whole) };
}
