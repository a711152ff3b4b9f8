import { secondsOfEdge, type FrameTable } from '@lean-mentor/core/footage';
import { drawnOn, type Stage } from '@lean-mentor/core/takes';
import { DrawingOverlay } from '../footage/index.ts';

interface TakeStageProps {
  stage: Stage;
  table: FrameTable;
  /** The footage's own pixels. */
  width: number;
  height: number;
}

/** Drawings of a take over its picture. */
export function TakeDrawings({ stage, table, width, height }: TakeStageProps) {
  return (
    <DrawingOverlay
      drawings={drawnOn(stage)}
      width={width}
      height={height}
      frame={stage.frame}
      secondsAt={(frame) => secondsOfEdge(table, frame)}
    />
  );
}
