import type { Drawing } from './deskDocument.ts';

/** A drawing as paths in pixels: one geometry for the stage, the still and the client's overlay. */
export interface DrawingShape {
  /** SVG path data. */
  path: string;
  /** Stroke width in pixels. */
  width: number;
}

/** Stroke width as a share of the picture's height: 5 px at 720. */
const strokeShare = 0.007;
/** Arrow head: length in stroke widths, half opening in radians. */
const headLength = 4.2;
const headOpening = 0.46;

const n = (v: number): string => String(Math.round(v * 100) / 100);

/** A smooth line through points by quadratic curves between midpoints (Bézier midpoint method); one point draws a dot. */
function smoothPath(points: { x: number; y: number }[]): string {
  const [first, ...rest] = points;
  if (!first) return '';
  if (rest.length === 0) return `M${n(first.x)} ${n(first.y)}l0.01 0`;
  let path = `M${n(first.x)} ${n(first.y)}`;
  for (let i = 0; i < rest.length - 1; i++) {
    const at = rest[i]!;
    const next = rest[i + 1]!;
    path += `Q${n(at.x)} ${n(at.y)} ${n((at.x + next.x) / 2)} ${n((at.y + next.y) / 2)}`;
  }
  const end = rest[rest.length - 1]!;
  return `${path}L${n(end.x)} ${n(end.y)}`;
}

/** Shape of a drawing on a picture of `width` × `height` pixels. */
export function drawingShape(drawing: Pick<Drawing, 'tool' | 'points'>, width: number, height: number): DrawingShape {
  const stroke = Math.max(1.5, height * strokeShare);
  const points = drawing.points.map(({ x, y }) => ({ x: x * width, y: y * height }));
  if (drawing.tool === 'freehand') return { path: smoothPath(points), width: stroke };
  const tail = points[0] ?? { x: 0, y: 0 };
  const tip = points[points.length - 1] ?? tail;
  const angle = Math.atan2(tip.y - tail.y, tip.x - tail.x);
  // A short arrow keeps its shape: the head takes at most half of its length.
  const head = Math.min(headLength * stroke, Math.hypot(tip.x - tail.x, tip.y - tail.y) / 2);
  const barb = (turn: number): string => `${n(tip.x - head * Math.cos(angle + turn))} ${n(tip.y - head * Math.sin(angle + turn))}`;
  return {
    path: `M${n(tail.x)} ${n(tail.y)}L${n(tip.x)} ${n(tip.y)}M${barb(headOpening)}L${n(tip.x)} ${n(tip.y)}L${barb(-headOpening)}`,
    width: stroke,
  };
}

/** Colours of strokes on video, each with a dark edge so that it reads on any mat. */
export const strokeInk: Record<Drawing['colour'], string> = { client: '#2FC4CF', partner: '#FF8A3D', chalk: '#FFFFFF' };
export const strokeEdge = '#0B0D0C';
/** The dark edge is this many times as wide as the stroke. */
export const strokeEdgeFactor = 1.9;

/** All drawings as one SVG document of the picture's size. */
export function drawingsSvg(drawings: readonly Pick<Drawing, 'tool' | 'colour' | 'points'>[], width: number, height: number): string {
  const line = (path: string, colour: string, stroke: number): string =>
    `<path d="${path}" fill="none" stroke="${colour}" stroke-width="${n(stroke)}" stroke-linecap="round" stroke-linejoin="round"/>`;
  const body = drawings
    .map((drawing) => {
      const shape = drawingShape(drawing, width, height);
      return line(shape.path, strokeEdge, shape.width * strokeEdgeFactor) + line(shape.path, strokeInk[drawing.colour], shape.width);
    })
    .join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${body}</svg>`;
}
