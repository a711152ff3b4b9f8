import { drawingOpacity, drawingPaints, drawingPoints, type Drawing } from '@lean-mentor/core/desk';
import { lettersPath } from '@lean-mentor/core/lettering';

interface DrawingOverlayProps {
  drawings: readonly Omit<Drawing, 'footageId'>[];
  /** The footage's own pixels. */
  width: number;
  height: number;
  frame: number;
  secondsAt: (frame: number) => number;
}

/** Drawings over a picture that plays and fills the same box, each where it is on that frame, fading in and out of its life. */
export function DrawingOverlay({ drawings, width, height, frame, secondsAt }: DrawingOverlayProps) {
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="pointer-events-none absolute inset-0 size-full"
      strokeLinecap="round"
      strokeLinejoin="round"
      aria-hidden
    >
      {drawings.map((drawing) => (
        <g key={drawing.id} opacity={drawingOpacity(drawing, frame, secondsAt)}>
          {drawingPaints({ ...drawing, points: drawingPoints(drawing, frame, secondsAt) }, width, height, lettersPath).map((paint, i) => (
            <path
              key={i}
              d={paint.path}
              transform={`translate(${paint.x} ${paint.y})`}
              fill={paint.fill ?? 'none'}
              {...(paint.stroke !== null && { stroke: paint.stroke, strokeWidth: paint.strokeWidth })}
              {...(paint.dash !== null && { strokeDasharray: paint.dash.join(' ') })}
              opacity={paint.opacity}
            />
          ))}
        </g>
      ))}
    </svg>
  );
}
