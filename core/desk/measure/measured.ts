import { assertNever } from '../../never/index.ts';
import type { FrameTable } from '../../footage/index.ts';
import { secondsOfFrame } from '../../footage/index.ts';
import type { PicturePoint } from '../drawing.ts';
import { handPixels, jointAngle, type Pixel } from './angle.ts';
import { balanceCheck, type Balance, type BodyDots, type BodyJoint } from './balance.ts';
import { dotPath } from './dotPath.ts';
import { matDistance, matPlane, through, type MatPlane } from './matPlane.ts';
import type { MatCorner, Measure, MeasureInput, MeasureResult } from './measure.ts';
import { frameTiming } from './timing.ts';

/** The footage a measurement stands on. */
export interface MeasuredOn {
  width: number;
  height: number;
  table: FrameTable;
  atFrame: number;
  toFrame: number | null;
  /** The measurements of the same footage, among them the mat's corners. */
  measures: Readonly<Record<string, Pick<Measure, 'input'>>>;
}

const pixelOf = ({ x, y }: PicturePoint, { width, height }: { width: number; height: number }): Pixel => ({ x: x * width, y: y * height });
const n = (value: number, digits: number): string => value.toFixed(digits);

/** The plane that a calibration of the mat gives; null when its corners do not determine one. */
export function planeOf(corners: readonly MatCorner[], tileMetres: number, size: { width: number; height: number }): MatPlane | null {
  return matPlane(
    corners.map((corner) => pixelOf(corner.picture, size)),
    corners.map(({ column, row }) => ({ x: column * tileMetres, y: row * tileMetres })),
  );
}

function planeById(matId: string | null, on: MeasuredOn): MatPlane | null {
  const input = matId ? on.measures[matId]?.input : undefined;
  return input?.kind === 'mat' ? planeOf(input.corners, input.tileMetres, on) : null;
}

export function balanceOf(input: Extract<MeasureInput, { kind: 'balance' }>, on: MeasuredOn): Balance | null {
  const dots = Object.fromEntries(Object.entries(input.dots as Required<BodyDots>).map(([joint, dot]) => [joint, pixelOf(dot, on)]));
  const contacts = input.contacts.map((contact) => pixelOf(contact, on));
  return balanceCheck(dots as Partial<Record<BodyJoint, Pixel>>, contacts, on.height, planeById(input.matId, on)?.toMat ?? null);
}

/** What a measurement comes to, or in words what it lacks. */
export function measured(input: MeasureInput, on: MeasuredOn): MeasureResult | { lacks: string } {
  switch (input.kind) {
    case 'angle': {
      if (input.points.length !== 3) return { lacks: 'Put three dots: one end, the joint, the other end.' };
      const [a, b, c] = input.points.map((point) => pixelOf(point, on)) as [Pixel, Pixel, Pixel];
      const { degrees, plusMinus } = jointAngle([a, b, c]);
      return {
        value: degrees,
        unit: '°',
        plusMinus,
        words: `${n(degrees, 0)}° ± ${n(plusMinus, 0)}° in the picture, right only where the limb lies across the view.`,
      };
    }
    case 'mat': {
      const plane = planeOf(input.corners, input.tileMetres, on);
      if (!plane) return { lacks: 'Put at least four corners of mat tiles, not three of them on one line.' };
      const told = input.corners.length === 4 ? ' Four corners always fit; a fifth would check them.' : '';
      return {
        value: plane.residualPixels,
        unit: 'px',
        plusMinus: null,
        words: `The corners fit a flat mat to within ${n(plane.residualPixels, 1)} px.${told}`,
      };
    }
    case 'distance': {
      const plane = planeById(input.matId, on);
      if (!plane) return { lacks: 'Put the mat’s corners first.' };
      if (input.points.length !== 2) return { lacks: 'Put two dots on the mat.' };
      const { metres, plusMinus } = matDistance(plane, pixelOf(input.points[0]!, on), pixelOf(input.points[1]!, on));
      return { value: metres, unit: 'm', plusMinus, words: `${n(metres, 2)} m ± ${n(plusMinus, 2)} m, for what touches the mat.` };
    }
    case 'balance': {
      const balance = balanceOf(input, on);
      if (!balance) return { lacks: 'Put dots on the joints that can be seen, and on at least two contacts with the mat.' };
      const { marginPercent, plusMinus, tips, confidence, covered } = balance;
      const where =
        marginPercent >= 0
          ? `${n(marginPercent, 0)} % of the base from its ${tips} edge`
          : `${n(-marginPercent, 0)} % of the base past its ${tips} edge`;
      return {
        value: marginPercent,
        unit: '%',
        plusMinus,
        words: `The weight is ${where} (± ${n(plusMinus, 0)} %); confidence ${confidence}, the dots cover ${n(covered * 100, 0)} % of the body. Side-on views only: a teaching aid, not a measurement of the body.`,
      };
    }
    case 'time': {
      if (on.toFrame === null || on.toFrame <= on.atFrame) return { lacks: 'Choose a later frame as the end.' };
      const { seconds, frames, plusMinus } = frameTiming(on.table, on.atFrame, on.toFrame);
      return { value: seconds, unit: 's', plusMinus, words: `${n(seconds, 2)} s ± ${n(plusMinus, 2)} s, ${frames} frames.` };
    }
    case 'path': {
      const plane = planeById(input.matId, on);
      const scale = (point: PicturePoint): Pixel =>
        plane ? through(plane.toMat, pixelOf(point, on)) : { x: (point.x * on.width) / on.height, y: point.y };
      const dots = [...input.dots]
        .sort((a, b) => a.frame - b.frame)
        .map(({ frame, point }) => ({ ...scale(point), seconds: secondsOfFrame(on.table, frame) }));
      // On the mat the error of a dot depends on where it is; the middle one's stands for all.
      const at = input.dots[Math.floor(input.dots.length / 2)]?.point;
      const sigma =
        plane && at
          ? matDistance(plane, pixelOf(at, on), { x: at.x * on.width + 40, y: at.y * on.height }).plusMinus / 1.96 / Math.SQRT2
          : handPixels / on.height;
      const path = dotPath(dots, sigma);
      if (!path) return { lacks: 'Put the dot on at least two frames.' };
      const [unit, digits, of] = plane ? (['m/s', 1, 'm'] as const) : (['heights/s', 2, 'picture heights'] as const);
      return {
        value: path.topSpeed,
        unit,
        plusMinus: path.plusMinus,
        words: `${n(path.length, 2)} ${of} in ${n(path.seconds, 2)} s; at most ${n(path.topSpeed, digits)} ${plane ? 'm/s' : 'heights a second'} ± ${n(path.plusMinus, digits)}${plane ? ', for what moves along the mat' : '; without the mat’s corners there are no metres'}.`,
      };
    }
    default:
      assertNever(input);
  }
}
