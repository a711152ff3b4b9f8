import { drawingShape, strokeEdge, strokeEdgeFactor, strokeInk, type Drawing } from '@lean-mentor/core/desk';

/** Drawings over a picture that fills the same box; `width` × `height` are the footage's own pixels. */
export function DrawingOverlay({
  drawings,
  width,
  height,
}: {
  drawings: readonly Omit<Drawing, 'footageId'>[];
  width: number;
  height: number;
}) {
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="pointer-events-none absolute inset-0 size-full"
      fill="none"
      strokeLinecap="round"
      strokeLinejoin="round"
      aria-hidden
    >
      {drawings.map((drawing) => {
        const shape = drawingShape(drawing, width, height);
        return (
          <g key={drawing.id}>
            <path d={shape.path} stroke={strokeEdge} strokeWidth={shape.width * strokeEdgeFactor} />
            <path d={shape.path} stroke={strokeInk[drawing.colour]} strokeWidth={shape.width} />
          </g>
        );
      })}
    </svg>
  );
}
