import { stopsOf } from '@lean-mentor/core/desk';
import type { Stretch } from '@lean-mentor/core/footage';
import { useMemo } from 'react';
import type { DeskScene } from './DeskScene.ts';

export interface Stops {
  /** To the next (1) or previous (−1) mark or note. */
  goToStop: (direction: 1 | -1) => void;
  goToBurst: () => void;
}

/** Ways from one place that matters to the next. */
export function useStops({ player, contents, go }: DeskScene, bursts: readonly Stretch[]): Stops {
  return useMemo(
    () => ({
      goToStop: (direction) => {
        const at = player?.snapshot().frame ?? 0;
        const { document, notes } = contents();
        const stops = stopsOf(document);
        const stop = direction > 0 ? stops.find((frame) => frame > at) : stops.findLast((frame) => frame < at);
        if (stop !== undefined) go(stop, notes.find((note) => note.fromFrame === stop)?.id ?? null);
      },
      goToBurst: () => {
        const burst = bursts.find(({ fromFrame }) => fromFrame > (player?.snapshot().frame ?? 0));
        if (burst) go(burst.fromFrame, null);
      },
    }),
    [player, contents, go, bursts],
  );
}
