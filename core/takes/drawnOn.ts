import { drawingOpacity, drawingPoints, drawingsSvg, type Drawing } from '../desk/index.ts';
import { secondsOfEdge, type FrameTable } from '../footage/index.ts';
import { lettersPath } from '../lettering/index.ts';
import type { Stage } from './stage.ts';

type Shown = Omit<Drawing, 'footageId'>;

/** While the footage rests, drawings stand whole; where it runs they come and go with their frames, as on the desk. */
const always = { fromFrame: 0, toFrame: Number.MAX_SAFE_INTEGER };

const mirroredShape = (drawing: Shown): Shown => ({
  ...drawing,
  points: drawing.points.map((point) => ({ ...point, x: 1 - point.x })),
  keys: drawing.keys.map((key) => ({ ...key, points: key.points.map((point) => ({ ...point, x: 1 - point.x })) })),
});

/** What a stage has drawn on it, as it lies on the picture: strokes as far as they have grown, and copies of the desk's drawings. */
export function drawnOn({ strokes, drawings, rate, mirrored }: Pick<Stage, 'strokes' | 'drawings' | 'rate' | 'mirrored'>): Shown[] {
  const drawn: Shown[] = [
    ...drawings.map((drawing) => (rate === 0 ? { ...drawing, ...always } : drawing)),
    ...strokes.map(({ points, reach, ...stroke }) => ({
      ...stroke,
      keys: [],
      ...always,
      points: [...points.map(([x, y, , pressure]) => ({ x, y, ...(pressure !== undefined && { pressure }) })), ...(reach ? [reach] : [])],
    })),
  ];
  return mirrored ? drawn.map(mirroredShape) : drawn;
}

/** The same as one SVG document, enlarged with the picture as the stage has it; null where nothing is drawn. */
export function stageSvg(stage: Stage, table: FrameTable, { width, height }: { width: number; height: number }): string | null {
  const secondsAt = (frame: number): number => secondsOfEdge(table, frame);
  const placed = drawnOn(stage).map((drawing) => ({
    ...drawing,
    points: drawingPoints(drawing, stage.frame, secondsAt),
    opacity: drawingOpacity(drawing, stage.frame, secondsAt),
  }));
  return placed.length === 0 ? null : drawingsSvg(placed, width, height, lettersPath, { view: stage.view });
}
