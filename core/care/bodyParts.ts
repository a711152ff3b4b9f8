/** What can hurt and be loaded, from the top down. */
export const bodyParts = ['head', 'jaw', 'neck', 'shoulder', 'elbow', 'hand', 'ribs', 'belly', 'back', 'hip', 'knee', 'foot'] as const;
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
  ...{ head: 'head', jaw: 'jaw or face', neck: 'neck', shoulder: 'shoulder', elbow: 'elbow or arm', hand: 'wrist or hand' },
  ...{ ribs: 'ribs or chest', belly: 'belly', back: 'back', hip: 'hip or groin', knee: 'knee', foot: 'ankle or foot' },
};
/** A part as one says it: "left knee". */
export const partWords = ({ part, side }: Part): string => `${side ? `${side} ` : ''}${names[part]}`;

/** What can be asked of a part of the body (docs/domain.md §12, loads). */
export const burdens = ['stacked', 'twisted', 'bent', 'straightened', 'gripped', 'pressed', 'weight', 'fallen-on'] as const;
export type Burden = (typeof burdens)[number];
export const burdenWords: Readonly<Record<Burden, string>> = {
  ...{ stacked: 'stacked', twisted: 'twisted', bent: 'bent', straightened: 'straightened', gripped: 'gripped or gripping' },
  ...{ pressed: 'pressed on', weight: 'carrying weight', 'fallen-on': 'fallen on' },
};

/** What something asks of a part; without burdens, or with none in the list: anything that can be asked of it. */
export interface Load extends Part {
  burdens?: Burden[] | undefined;
}
/** "Left knee: twisted, pressed on". */
export const loadText = (load: Load): string =>
  `${partWords(load)}${load.burdens && load.burdens.length > 0 ? `: ${load.burdens.map((one) => burdenWords[one]).join(', ')}` : ''}`;

/** Loads with each part and side once, all that is asked of it together. */
export function mergedLoads(loads: readonly Load[]): Load[] {
  const merged: Load[] = [];
  for (const { part, side, burdens: asked } of loads) {
    const there = merged.find((one) => one.part === part && one.side === side);
    if (!there) merged.push({ part, side, ...(asked?.length && { burdens: [...asked] }) });
    // Anything and something together are anything.
    else if (!there.burdens || !asked?.length) delete there.burdens;
    else there.burdens = [...new Set([...there.burdens, ...asked])];
  }
  return merged;
}

const sharesBurden = (a: Load, b: Load): boolean =>
  !a.burdens || !b.burdens || a.burdens.length === 0 || b.burdens.length === 0 || a.burdens.some((one) => b.burdens!.includes(one));

/** Whether something asks of a part what it must not bear: the same part, a shared burden, no contrary side. */
export const meets = (load: Load, limit: Load): boolean =>
  load.part === limit.part && (load.side === null || limit.side === null || load.side === limit.side) && sharesBurden(load, limit);

/**
 * Of the parts that are flagged those that work loads. A head is loaded by all work: after a knock to it nobody goes on without a
 * clinician's word.
 */
export const clashOf = <P extends Load>(loads: readonly Load[], flagged: readonly P[]): P[] =>
  flagged.filter((flag) => flag.part === 'head' || loads.some((load) => meets(load, flag)));
