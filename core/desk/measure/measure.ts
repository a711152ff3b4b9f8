import type { PicturePoint } from '../drawing.ts';
import type { BodyDots } from './balance.ts';

export const measureKinds = ['angle', 'mat', 'distance', 'balance', 'time', 'path'] as const;
export type MeasureKind = (typeof measureKinds)[number];

/** A corner of the mat's tiles: where it is in the picture, and which crossing it is, counted in tiles from a chosen one. */
export interface MatCorner {
  picture: PicturePoint;
  column: number;
  row: number;
}

/** What was put on the picture by hand. */
export type MeasureInput =
  | { kind: 'angle'; points: PicturePoint[] }
  | { kind: 'mat'; corners: MatCorner[]; tileMetres: number }
  | { kind: 'distance'; points: PicturePoint[]; matId: string }
  | { kind: 'balance'; dots: BodyDots; contacts: PicturePoint[]; matId: string | null }
  | { kind: 'time' }
  | { kind: 'path'; dots: { frame: number; point: PicturePoint }[]; matId: string | null };

/** What came of it. `plusMinus` holds in 95 of 100 cases as far as the hand's error goes; null where it has no meaning. */
export interface MeasureResult {
  value: number;
  unit: '°' | 'px' | 'm' | '%' | 's' | 'm/s' | 'heights/s';
  plusMinus: number | null;
  /** One sentence with the number, its uncertainty, and what it is not. */
  words: string;
}

/** A measurement with its inputs and its result, standing on a frame or from one frame to another. */
export interface Measure {
  id: string;
  footageId: string;
  atFrame: number;
  /** The later frame of a timing or the last of a path (exclusive); null for what stands on one frame. */
  toFrame: number | null;
  input: MeasureInput;
  result: MeasureResult;
  /** Shown on the stage and on stills. */
  drawn: boolean;
}
