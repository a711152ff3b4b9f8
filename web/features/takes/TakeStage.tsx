import type { Drawing } from '@lean-mentor/core/desk';
import { secondsOfEdge, type FrameTable } from '@lean-mentor/core/footage';
import type { Stage } from '@lean-mentor/core/takes';
import { DrawingOverlay } from '../footage/index.ts';

interface TakeStageProps {
  stage: Stage;
  table: FrameTable;
  /** The footage's own pixels. */
  width: number;
  height: number;
}

type Shown = Omit<Drawing, 'footageId'>;

/** While the footage rests, drawings stand whole; where it runs they come and go with their frames, as on the desk. */
const always = { fromFrame: 0, toFrame: Number.MAX_SAFE_INTEGER };

/** What a stage has drawn on it: strokes as far as they have grown, and copies of the desk's drawings. */
const drawnOn = ({ strokes, drawings, rate }: Stage): Shown[] => [
  ...drawings.map((drawing) => (rate === 0 ? { ...drawing, ...always } : drawing)),
  ...strokes.map(({ points, reach, ...stroke }) => ({
    ...stroke,
    keys: [],
    ...always,
    points: [...points.map(([x, y, , pressure]) => ({ x, y, ...(pressure !== undefined && { pressure }) })), ...(reach ? [reach] : [])],
  })),
];

const mirroredShape = (drawing: Shown): Shown => ({
  ...drawing,
  points: drawing.points.map((point) => ({ ...point, x: 1 - point.x })),
  keys: drawing.keys.map((key) => ({ ...key, points: key.points.map((point) => ({ ...point, x: 1 - point.x })) })),
});

/** Drawings of a take over its picture. */
export function TakeDrawings({ stage, table, width, height }: TakeStageProps) {
  const drawn = drawnOn(stage);
  return (
    <DrawingOverlay
      drawings={stage.mirrored ? drawn.map(mirroredShape) : drawn}
      width={width}
      height={height}
      frame={stage.frame}
      secondsAt={(frame) => secondsOfEdge(table, frame)}
    />
  );
}
