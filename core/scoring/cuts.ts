import { isNeutral, type Holder, type PositionCode, type Posture, type Span } from '../positions/index.ts';

/**
 * A coding is kept as its cuts: at each, a position begins that lasts to the next one. However cuts are added, moved or taken away, by
 * however many people, the spans between them tile the bout.
 */
export interface Cut {
  id: string;
  atFrame: number;
  position: PositionCode;
  holder: Holder;
  /** What the position is called, more closely than its code says. */
  name?: string;
  posture?: Posture;
}

/** What is done to cuts: `put` adds or changes, `drop` takes away. */
export type CutEdit = { put: Cut } | { drop: string };

/** Cuts as they stand in the bout: ascending, of several on one frame the last by id, the first one at the bout's start. */
export function orderedCuts<C extends Cut>(cuts: readonly C[], fromFrame: number, toFrame: number): C[] {
  const sorted = [...cuts].sort((a, b) => a.atFrame - b.atFrame || (a.id < b.id ? -1 : 1));
  const before = sorted.filter(({ atFrame }) => atFrame <= fromFrame);
  const first = before.at(-1) ?? sorted[0];
  if (!first) return [];
  const after = sorted.filter(({ atFrame }) => atFrame > Math.max(fromFrame, first.atFrame) && atFrame < toFrame);
  const last = after.filter(({ atFrame }, i) => after[i + 1]?.atFrame !== atFrame);
  return [{ ...first, atFrame: fromFrame }, ...last];
}

/** The spans between cuts: they tile the bout; none where there is no cut. */
export function spansOfCuts(cuts: readonly Cut[], fromFrame: number, toFrame: number): (Span & { id: string })[] {
  const ordered = orderedCuts(cuts, fromFrame, toFrame);
  return ordered.map(({ id, atFrame, position, holder, name, posture }, i) => ({
    id,
    position,
    holder,
    fromFrame: atFrame,
    toFrame: ordered[i + 1]?.atFrame ?? toFrame,
    ...(name && { name }),
    ...(posture && { posture }),
  }));
}

/** Cuts that make these spans. */
export const cutsOfSpans = (spans: readonly Span[], newId: () => string): Cut[] =>
  spans.map(({ position, holder, fromFrame, name, posture }) => ({
    id: newId(),
    atFrame: fromFrame,
    position,
    holder: isNeutral(position) ? null : holder,
    ...(name && { name }),
    ...(posture && { posture }),
  }));

interface Within {
  fromFrame: number;
  toFrame: number;
  newId: () => string;
}

const holderIn = (position: PositionCode, holder: Holder): Holder => (isNeutral(position) ? null : (holder ?? 'client'));

/**
 * From this frame on it is this position. On the very frame of a cut that cut changes; saying again what is there already does
 * nothing; saying early what comes next brings its edge here. The first thing that is said holds from the bout's start.
 */
export function putPosition(cuts: readonly Cut[], atFrame: number, position: PositionCode, holder: Holder, within: Within): CutEdit[] {
  const ordered = orderedCuts(cuts, within.fromFrame, within.toFrame);
  const wanted = { position, holder: holderIn(position, holder) };
  if (ordered.length === 0) return [{ put: { id: within.newId(), atFrame: within.fromFrame, ...wanted } }];
  const frame = Math.min(Math.max(atFrame, within.fromFrame), within.toFrame - 1);
  const there = ordered.findLast((cut) => cut.atFrame <= frame)!;
  if (there.position === wanted.position && there.holder === wanted.holder) return [];
  // What it was called, and how the two were in it, was of the other position: a cut of its own takes its place.
  if (there.atFrame === frame && (there.name || there.posture))
    return [{ drop: there.id }, { put: { id: within.newId(), atFrame: there === ordered[0] ? within.fromFrame : frame, ...wanted } }];
  if (there.atFrame === frame) return [{ put: { ...there, ...wanted } }];
  const next = ordered.find((cut) => cut.atFrame > frame);
  if (next && next.position === wanted.position && next.holder === wanted.holder) return [{ put: { ...next, atFrame: frame } }];
  return [{ put: { id: within.newId(), atFrame: frame, ...wanted } }];
}

/**
 * Says more of the stretch that is there at this frame: what it is called, or how the two are in it. `null` takes it back. A cut of its own
 * takes the place of the one that was there, so that what is taken back is gone.
 */
export function describeAt(
  cuts: readonly Cut[],
  atFrame: number,
  said: { name?: string | null; posture?: Posture | null },
  within: Within,
): CutEdit[] {
  const there = orderedCuts(cuts, within.fromFrame, within.toFrame).findLast((cut) => cut.atFrame <= atFrame);
  if (!there) return [];
  const { name, posture, ...bare } = there;
  const [nextName, nextPosture] = [said.name === undefined ? name : said.name, said.posture === undefined ? posture : said.posture];
  const put: Cut = {
    ...bare,
    ...(nextName && { name: nextName }),
    ...(nextPosture && Object.keys(nextPosture).length > 0 && { posture: nextPosture }),
  };
  const isLess = (name && !put.name) || (posture && !put.posture);
  return isLess ? [{ drop: there.id }, { put: { ...put, id: within.newId() } }] : [{ put }];
}

/** A second span of the same position from this frame on, to be told apart later; nothing on the frame of a cut. */
export function splitAt(cuts: readonly Cut[], atFrame: number, within: Within): CutEdit[] {
  const there = orderedCuts(cuts, within.fromFrame, within.toFrame).findLast((cut) => cut.atFrame <= atFrame);
  if (!there || there.atFrame === atFrame || atFrame >= within.toFrame) return [];
  return [{ put: { ...there, id: within.newId(), atFrame } }];
}

/** Moves the edge where a span begins; it stays between its neighbours, so no span is lost. The bout's start stays. */
export function moveCut(cuts: readonly Cut[], id: string, atFrame: number, { fromFrame, toFrame }: Omit<Within, 'newId'>): CutEdit[] {
  const ordered = orderedCuts(cuts, fromFrame, toFrame);
  const i = ordered.findIndex((cut) => cut.id === id);
  if (i < 1) return [];
  const least = ordered[i - 1]!.atFrame + 1;
  const most = (ordered[i + 1]?.atFrame ?? toFrame) - 1;
  const frame = Math.min(Math.max(atFrame, least), most);
  return frame === ordered[i]!.atFrame ? [] : [{ put: { ...ordered[i]!, atFrame: frame } }];
}

/** The edge that is nearest to this frame comes here; nothing where there is none. */
export function bringEdge(cuts: readonly Cut[], atFrame: number, within: Omit<Within, 'newId'>): CutEdit[] {
  const [nearest] = orderedCuts(cuts, within.fromFrame, within.toFrame)
    .slice(1)
    .sort((a, b) => Math.abs(a.atFrame - atFrame) - Math.abs(b.atFrame - atFrame));
  return nearest ? moveCut(cuts, nearest.id, atFrame, within) : [];
}

/** Takes a span away: the one before it goes on in its place; of the first one, the next begins with the bout. */
export const mergeCut = (id: string): CutEdit[] => [{ drop: id }];
