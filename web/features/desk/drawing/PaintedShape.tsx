import { drawingPaints, strokeInk, type Drawing } from '@lean-mentor/core/desk';
import { lettersPath } from '@lean-mentor/core/lettering';
import { Path } from 'react-konva';

type Shown = Pick<Drawing, 'tool' | 'colour' | 'weight' | 'words' | 'points'>;

interface PaintedShapeProps {
  drawing: Shown;
  width: number;
  height: number;
  /** Selected: it glows. */
  glows?: boolean;
}

/** A drawing on the stage: the very paths that the still is made of. */
export function PaintedShape({ drawing, width, height, glows = false }: PaintedShapeProps) {
  return drawingPaints(drawing, width, height, lettersPath).map((paint, i) => (
    <Path
      key={i}
      data={paint.path}
      x={paint.x}
      y={paint.y}
      fillEnabled={paint.fill !== null}
      {...(paint.fill !== null && { fill: paint.fill })}
      {...(paint.stroke !== null && { stroke: paint.stroke, strokeWidth: paint.strokeWidth })}
      {...(paint.dash !== null && { dash: [...paint.dash] })}
      opacity={paint.opacity}
      lineCap="round"
      lineJoin="round"
      hitStrokeWidth={16}
      {...(glows && i === 0 && { shadowColor: strokeInk.chalk, shadowBlur: 14 })}
    />
  ));
}
