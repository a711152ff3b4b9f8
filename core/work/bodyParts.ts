import type { CautionClass } from '../book/index.ts';
import { isNeutral, positionFamily, type PositionCode } from '../scoring/index.ts';

/** What can hurt and be loaded, from the top down. */
export const bodyParts = ['head', 'neck', 'shoulder', 'elbow', 'hand', 'ribs', 'back', 'hip', 'knee', 'foot'] as const;
export type BodyPart = (typeof bodyParts)[number];
export const bodySides = ['left', 'right'] as const;
export type BodySide = (typeof bodySides)[number];

/** A part of the body; null side: both, or not said which. */
export interface Part {
  part: BodyPart;
  side: BodySide | null;
}

const hasSides: readonly BodyPart[] = ['shoulder', 'elbow', 'hand', 'hip', 'knee', 'foot'];
/** Whether there is a left and a right one. */
export const isPaired = (part: BodyPart): boolean => hasSides.includes(part);

const names: Readonly<Record<BodyPart, string>> = {
  ...{ head: 'head', neck: 'neck', shoulder: 'shoulder', elbow: 'elbow', hand: 'wrist or hand' },
  ...{ ribs: 'ribs', back: 'back', hip: 'hip or groin', knee: 'knee', foot: 'ankle or foot' },
};
/** A part as one says it: "left knee". */
export const partWords = ({ part, side }: Part): string => `${side ? `${side} ` : ''}${names[part]}`;

const spoken: readonly (readonly [RegExp, BodyPart])[] = [
  [/\b(head|concuss\w*|dizz\w*|skull|jaw)\b/i, 'head'],
  [/\b(neck|cervical)\b/i, 'neck'],
  [/\b(shoulders?|collarbone|rotator)\b/i, 'shoulder'],
  [/\b(elbows?|arms?|biceps|forearms?)\b/i, 'elbow'],
  [/\b(wrists?|hands?|fingers?|thumbs?)\b/i, 'hand'],
  [/\b(ribs?|chest|sternum)\b/i, 'ribs'],
  [/\b(back|spine|discs?|lumbar|tailbone)\b/i, 'back'],
  [/\b(hips?|groin|hamstrings?)\b/i, 'hip'],
  [/\b(knees?|acl|mcl|meniscus)\b/i, 'knee'],
  [/\b(ankles?|foot|feet|toes?|heels?|shins?|achilles)\b/i, 'foot'],
];

/** The parts that free words name ("Left knee repaired"); none where they name none. */
export function partsInWords(words: string): Part[] {
  const [left, right] = [/\bleft\b/i.test(words), /\bright\b/i.test(words)];
  const side = left === right ? null : left ? 'left' : 'right';
  return spoken.flatMap(([pattern, part]) => (pattern.test(words) ? [{ part, side: isPaired(part) ? side : null }] : []));
}

/** What each caution class loads of whoever does it (docs/domain.md §12). */
const cautionLoads: Readonly<Record<CautionClass, readonly BodyPart[]>> = {
  general: [],
  joint: ['shoulder', 'elbow', 'hand'],
  'knee-and-heel': ['hip', 'knee', 'foot'],
  'neck-and-spine': ['neck', 'ribs', 'back'],
  fall: ['head', 'neck', 'shoulder', 'back', 'hip', 'knee'],
};

/** What a round from a start loads, by where one is in it: above weight is given, below it is borne; on the feet one may fall. */
function startLoads(position: PositionCode, holds: boolean): readonly BodyPart[] {
  if (position === 'fifty-fifty' || position === 'leg-entanglement') return ['hip', 'knee', 'foot'];
  if (position === 'both-seated') return ['hip', 'knee'];
  if (isNeutral(position)) return cautionLoads.fall;
  if (position === 'front-headlock' || position === 'turtle') return holds ? ['shoulder', 'knee'] : ['neck', 'shoulder', 'back'];
  if (position === 'rear-clinch') return cautionLoads.fall;
  if (positionFamily(position) === 'guard') return holds ? ['knee', 'hip', 'back'] : ['hip', 'knee', 'back'];
  return holds ? ['knee', 'hip'] : ['neck', 'ribs', 'back'];
}

/** Everything that is loaded of somebody who works from a start with something of a caution class. */
export const loadsOf = (start: { position: PositionCode; holds: boolean } | null, caution: CautionClass): BodyPart[] =>
  bodyParts.filter((part) => cautionLoads[caution].includes(part) || (start && startLoads(start.position, start.holds).includes(part)));

const meet = (a: Part, b: Part): boolean => a.part === b.part && (a.side === null || b.side === null || a.side === b.side);

/**
 * Of the parts that are flagged those that work loads: the same part and no contrary side. A head is loaded by all work: after a knock to
 * it nobody goes on without a clinician's word.
 */
export const clashOf = <P extends Part>(loads: readonly Part[], flagged: readonly P[]): P[] =>
  flagged.filter((flag) => flag.part === 'head' || loads.some((load) => meet(load, flag)));
