import type { Look } from '@lean-mentor/core/desk';
import { useEffect, useRef } from 'react';
import type { FramePlayer } from '../footage/index.ts';

/** What was watched for fewer frames than this was no look. */
const leastFrames = 8;
/** A look that goes on is written down this often, in frames, so that a killed browser loses little. */
const mostFrames = 900;

/** Writes down each stretch that is watched without a break while the footage plays forward. */
export function useLooks(
  player: FramePlayer | null,
  footageId: string,
  during: Look['during'],
  note: (look: Omit<Look, 'id'>) => void,
): void {
  const latest = useRef({ during, note });
  useEffect(() => {
    latest.current = { during, note };
  });
  useEffect(() => {
    if (!player) return;
    let from: number | null = null;
    let last = 0;
    const end = (): void => {
      if (from !== null && last + 1 - from >= leastFrames)
        latest.current.note({ footageId, fromFrame: from, toFrame: last + 1, during: latest.current.during });
      from = null;
    };
    const hear = (): void => {
      const { playing, speed, frame } = player.snapshot();
      if (!playing || speed < 0) return end();
      // A jump back (a loop, run it back) or far ahead (a lull passed over) begins a new look.
      if (from !== null && (frame < last || frame - last > leastFrames || frame - from >= mostFrames)) end();
      from ??= frame;
      last = frame;
    };
    const stop = player.subscribe(hear);
    return () => {
      stop();
      end();
    };
  }, [player, footageId]);
}
