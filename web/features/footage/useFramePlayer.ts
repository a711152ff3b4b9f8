import type { FrameTable } from '@lean-mentor/core/footage';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { FramePlayer, type PlayerState } from './framePlayer.ts';

const still: PlayerState = { frame: 0, playing: false, speed: 1, settled: false, skipsLulls: false };
const never = (): (() => void) => () => undefined;

/** A player for a video element and its frame table, and what it shows now. */
export function useFramePlayer(
  video: HTMLVideoElement | null,
  table: FrameTable | undefined,
): { player: FramePlayer | null; now: PlayerState } {
  const player = useMemo(() => (video && table ? new FramePlayer(video, table) : null), [video, table]);
  useEffect(() => {
    player?.start();
    return () => player?.dispose();
  }, [player]);
  const now = useSyncExternalStore(player?.subscribe ?? never, player?.snapshot ?? (() => still));
  return { player, now };
}
