import { assertNever } from '../never/index.ts';
import { jointAngle } from './measure/angle.ts';
import type { Drawing, PicturePoint } from './drawing.ts';
import { pressedOutline } from './pressedOutline.ts';

/** One path of a drawing in pixels. */
export interface ShapePart {
  /** SVG path data. */
  path: string;
  /** Stroke width in pixels; null: the path is filled instead. */
  stroke: number | null;
  dash?: readonly number[];
  /** 0..1; 1 where absent. */
  opacity?: number;
  /** Without the dark edge. */
  bare?: boolean;
}

/** Letters of a drawing: a baseline's left end (or middle), in pixels. */
export interface ShapeWords {
  words: string;
  x: number;
  y: number;
  size: number;
  anchor: 'start' | 'middle';
}

/** A drawing as paths and words in pixels: one geometry for the stage, the still and the client's overlay. */
export interface DrawingShape {
  parts: ShapePart[];
  words: ShapeWords[];
}

/** What of a drawing gives its shape. Points are those of the frame that is shown. */
export type Shaped = Pick<Drawing, 'tool' | 'points' | 'weight' | 'words'>;

interface Pixel {
  x: number;
  y: number;
}

/** Stroke width as a share of the picture's height: 5 px at 720; and how the weights differ. */
const strokeShare = 0.007;
const weightFactor: Record<Drawing['weight'], number> = { thin: 0.6, plain: 1, bold: 1.7 };
/** Arrow head: length in stroke widths, half opening in radians. */
const headLength = 4.2;
const headOpening = 0.46;
/** Height of letters as a share of the picture's. */
const wordShare = 0.042;

const n = (v: number): string => String(Math.round(v * 100) / 100);
const at = ({ x, y }: Pixel): string => `${n(x)} ${n(y)}`;
const line = (...points: Pixel[]): string => points.map((point, i) => `${i === 0 ? 'M' : 'L'}${at(point)}`).join('');

/** A smooth line through points by quadratic curves between midpoints (Bézier midpoint method); one point draws a dot. */
function smoothPath(points: readonly Pixel[]): string {
  const [first, ...rest] = points;
  if (!first) return '';
  if (rest.length === 0) return `M${at(first)}l0.01 0`;
  let path = `M${at(first)}`;
  for (let i = 0; i < rest.length - 1; i++) {
    const [here, next] = [rest[i]!, rest[i + 1]!];
    path += `Q${at(here)} ${n((here.x + next.x) / 2)} ${n((here.y + next.y) / 2)}`;
  }
  return `${path}L${at(rest[rest.length - 1]!)}`;
}

/** The head of an arrow that comes from `from`. A short arrow keeps its shape: the head takes at most half of its length. */
function head(tip: Pixel, from: Pixel, stroke: number, length: number): string {
  const angle = Math.atan2(tip.y - from.y, tip.x - from.x);
  const size = Math.min(headLength * stroke, length / 2);
  const barb = (turn: number): Pixel => ({ x: tip.x - size * Math.cos(angle + turn), y: tip.y - size * Math.sin(angle + turn) });
  return line(barb(headOpening), tip, barb(-headOpening));
}

/** Where the last stretch of a path comes from: the point before its end by about a head's length. */
function before(points: readonly Pixel[], reach: number): Pixel {
  const tip = points[points.length - 1]!;
  return points.findLast((point) => Math.hypot(point.x - tip.x, point.y - tip.y) >= reach) ?? points[0]!;
}

const lengthOf = (points: readonly Pixel[]): number =>
  points.slice(1).reduce((sum, p, i) => sum + Math.hypot(p.x - points[i]!.x, p.y - points[i]!.y), 0);

/** An ellipse in the box of two corners, as two half turns. */
function ellipse(a: Pixel, b: Pixel): string {
  const [rx, ry] = [Math.abs(b.x - a.x) / 2, Math.abs(b.y - a.y) / 2];
  const [x, y] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
  return `M${n(x - rx)} ${n(y)}a${n(rx)} ${n(ry)} 0 1 1 ${n(2 * rx)} 0a${n(rx)} ${n(ry)} 0 1 1 ${n(-2 * rx)} 0Z`;
}

/** Two rays from a joint, an arc between them, and the degrees with their ±. */
function angleShape([end, joint, other]: readonly Pixel[], stroke: number, size: number): DrawingShape {
  if (!end || !joint) return { parts: [], words: [] };
  if (!other) return { parts: [{ path: line(end, joint), stroke }], words: [] };
  const { degrees, plusMinus } = jointAngle([end, joint, other]);
  const [from, to] = [Math.atan2(end.y - joint.y, end.x - joint.x), Math.atan2(other.y - joint.y, other.x - joint.x)];
  const radius = Math.min(size * 1.4, lengthOf([end, joint]) * 0.7, lengthOf([joint, other]) * 0.7);
  const spot = (turn: number, r: number): Pixel => ({ x: joint.x + r * Math.cos(turn), y: joint.y + r * Math.sin(turn) });
  const turned = ((to - from + 3 * Math.PI) % (2 * Math.PI)) - Math.PI;
  const arc = `M${at(spot(from, radius))}A${n(radius)} ${n(radius)} 0 0 ${turned > 0 ? 1 : 0} ${at(spot(to, radius))}`;
  const words = spot(from + turned / 2, radius + size * 0.9);
  return {
    parts: [
      { path: line(end, joint, other), stroke },
      { path: arc, stroke: stroke * 0.6 },
    ],
    words: [{ words: `${degrees.toFixed(0)}° ± ${plusMinus.toFixed(0)}°`, x: words.x, y: words.y + size * 0.35, size, anchor: 'middle' }],
  };
}

/** Shape of a drawing on a picture of `width` × `height` pixels. */
export function drawingShape(drawing: Shaped, width: number, height: number): DrawingShape {
  const stroke = Math.max(1.5, height * strokeShare) * weightFactor[drawing.weight];
  const size = height * wordShare;
  const points = drawing.points.map(({ x, y }) => ({ x: x * width, y: y * height }));
  const [first, last] = [points[0], points[points.length - 1]];
  if (!first || !last) return { parts: [], words: [] };
  const only = (...parts: ShapePart[]): DrawingShape => ({ parts, words: [] });
  switch (drawing.tool) {
    case 'arrow':
      return only({ path: line(first, last) + head(last, first, stroke, lengthOf([first, last])), stroke });
    case 'bent-arrow':
      return only({ path: smoothPath(points) + head(last, before(points, headLength * stroke), stroke, lengthOf(points)), stroke });
    case 'freehand': {
      const pressed = pressedOutline(points, drawing.points, stroke);
      return only(pressed === null ? { path: smoothPath(points), stroke } : { path: pressed, stroke: null });
    }
    case 'angle':
      return angleShape(points, stroke, size);
    case 'ring':
      return only({ path: ellipse(first, last), stroke });
    case 'gap':
      return only(
        { path: `${line(...points)}Z`, stroke: null, opacity: 0.32, bare: true },
        { path: `${line(...points)}Z`, stroke: stroke * 0.7, dash: [stroke * 2.4, stroke * 1.8] },
      );
    case 'post': {
      const r = height * 0.034;
      const flat = { x: r * 1.5, y: r * 0.62 };
      const cross =
        line({ x: first.x - r * 0.6, y: first.y - r * 0.25 }, { x: first.x + r * 0.6, y: first.y + r * 0.25 }) +
        line({ x: first.x + r * 0.6, y: first.y - r * 0.25 }, { x: first.x - r * 0.6, y: first.y + r * 0.25 });
      return only({
        path: ellipse({ x: first.x - flat.x, y: first.y - flat.y }, { x: first.x + flat.x, y: first.y + flat.y }) + cross,
        stroke,
      });
    }
    case 'weight-line': {
      const r = stroke * 1.7;
      const foot = line({ x: last.x - r * 2.4, y: last.y }, { x: last.x + r * 2.4, y: last.y });
      return only(
        { path: line(first, last), stroke: stroke * 0.8, dash: [stroke * 2, stroke * 1.6] },
        { path: ellipse({ x: first.x - r, y: first.y - r }, { x: first.x + r, y: first.y + r }) + foot, stroke },
      );
    }
    case 'label':
      return {
        parts: [],
        words: [{ words: drawing.words, x: first.x, y: first.y, size: size * weightFactor[drawing.weight] ** 0.5, anchor: 'start' }],
      };
    default:
      return assertNever(drawing.tool);
  }
}

/** How far a shape reaches, for picking and for handles: the points themselves, in shares of the picture. */
export const handlesOf = ({ tool, points }: Pick<Drawing, 'tool' | 'points'>): PicturePoint[] =>
  tool === 'freehand' || tool === 'bent-arrow' ? [] : [...points];

/** Colours of strokes on video, each with a dark edge so that it reads on any mat. */
export const strokeInk: Record<Drawing['colour'], string> = { client: '#2FC4CF', partner: '#FF8A3D', chalk: '#FFFFFF' };
export const strokeEdge = '#0B0D0C';
/** The dark edge is this many times as wide as the stroke; around letters and filled strokes, this share of their size. */
export const strokeEdgeFactor = 1.9;
export const wordEdgeShare = 0.16;
