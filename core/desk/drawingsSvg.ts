import {
  drawingShape,
  strokeEdge,
  strokeEdgeFactor,
  strokeInk,
  wordEdgeShare,
  type Shaped,
  type ShapePart,
  type ShapeWords,
} from './drawingShape.ts';
import type { Drawing } from './drawing.ts';
import { wholePicture, type StageView } from './stageView.ts';

/**
 * Letters as SVG path data, the baseline's left end at 0, 0, and how wide they are; so a still needs no fonts and is the same everywhere.
 */
export type WordsPath = (words: string, size: number) => { path: string; width: number };

/** One thing to paint: a path with fill or stroke. The same list is painted on the stage and written into SVG. */
export interface Paint {
  path: string;
  x: number;
  y: number;
  fill: string | null;
  stroke: string | null;
  strokeWidth: number;
  dash: readonly number[] | null;
  opacity: number;
}

const plain = { x: 0, y: 0, fill: null, stroke: null, strokeWidth: 0, dash: null, opacity: 1 };

function partPaints({ path, stroke, dash, opacity = 1, bare = false }: ShapePart, ink: string, edgeOfFilled: number): Paint[] {
  if (stroke === null)
    return [
      ...(bare ? [] : [{ ...plain, path, fill: strokeEdge, stroke: strokeEdge, strokeWidth: edgeOfFilled }]),
      { ...plain, path, fill: ink, opacity },
    ];
  const dashes = dash ? { dash } : {};
  return [
    { ...plain, ...dashes, path, stroke: strokeEdge, strokeWidth: stroke * strokeEdgeFactor, opacity },
    { ...plain, ...dashes, path, stroke: ink, strokeWidth: stroke, opacity },
  ];
}

function wordPaints({ words, x, y, size, anchor }: ShapeWords, ink: string, wordsPath: WordsPath): Paint[] {
  const { path, width } = wordsPath(words, size);
  const place = { x: anchor === 'middle' ? x - width / 2 : x, y };
  return [
    { ...plain, ...place, path, stroke: strokeEdge, fill: strokeEdge, strokeWidth: size * wordEdgeShare },
    { ...plain, ...place, path, fill: ink },
  ];
}

/** All that is painted for one drawing, from below to above. */
export function drawingPaints(drawing: Shaped & Pick<Drawing, 'colour'>, width: number, height: number, wordsPath: WordsPath): Paint[] {
  const shape = drawingShape(drawing, width, height);
  const ink = strokeInk[drawing.colour];
  const edge = height * 0.007 * (strokeEdgeFactor - 1);
  return [
    ...shape.parts.flatMap((part) => partPaints(part, ink, edge)),
    ...shape.words.flatMap((words) => wordPaints(words, ink, wordsPath)),
  ];
}

const n = (v: number): string => String(Math.round(v * 100) / 100);

function element({ path, x, y, fill, stroke, strokeWidth, dash, opacity }: Paint): string {
  const place = x === 0 && y === 0 ? '' : ` transform="translate(${n(x)} ${n(y)})"`;
  const line = stroke ? ` stroke="${stroke}" stroke-width="${n(strokeWidth)}" stroke-linecap="round" stroke-linejoin="round"` : '';
  const dashes = dash ? ` stroke-dasharray="${dash.map(n).join(' ')}"` : '';
  const faint = opacity < 1 ? ` opacity="${n(opacity)}"` : '';
  return `<path d="${path}" fill="${fill ?? 'none'}"${line}${dashes}${faint}${place}/>`;
}

interface SvgOptions {
  /** An address or data URL of the picture below the drawings. */
  picture?: string | null;
  /** The part of the picture that fills the document. */
  view?: StageView;
}

/** Drawings as one SVG document of the picture's size, each as faint as its `opacity` says. */
export function drawingsSvg(
  drawings: readonly (Shaped & Pick<Drawing, 'colour'> & { opacity?: number })[],
  width: number,
  height: number,
  wordsPath: WordsPath,
  { picture = null, view: { zoom, x, y } = wholePicture }: SvgOptions = {},
): string {
  const below = picture === null ? '' : `<image href="${picture}" width="${width}" height="${height}"/>`;
  const body = drawings.map((drawing) => {
    const painted = drawingPaints(drawing, width, height, wordsPath).map(element).join('');
    const { opacity = 1 } = drawing;
    return opacity < 1 ? `<g opacity="${n(opacity)}">${painted}</g>` : painted;
  });
  const box = [x * width, y * height, width / zoom, height / zoom].map((v) => Math.round(v * 1e4) / 1e4).join(' ');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="${box}">${below}${body.join('')}</svg>`;
}
