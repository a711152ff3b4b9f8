import { useCallback } from 'react';
import { useScene } from '../DeskScene.ts';
import { useScored } from './useScore.ts';

/** The bout clock at a frame, running up, in seconds: stoppages taken out, and below 0 before the bout begins. */
export function useClockAt(): (frame: number) => number {
  const { secondsAt, boutAt } = useScene();
  const { scored } = useScored();
  return useCallback(
    (frame) => {
      const bout = boutAt(frame);
      const since = secondsAt(frame) - secondsAt(bout?.fromFrame ?? 0);
      const clock = since < 0 ? undefined : scored.find(({ here }) => here.bout.id === bout?.id)?.clock;
      // What lies after the bout still has a time.
      return clock && bout && frame < bout.toFrame ? clock.at(since) : since;
    },
    [secondsAt, boutAt, scored],
  );
}
