import { frameAtSeconds, secondsOfFrame, timeSlack, type FrameIndex, type FrameTable, type Seconds } from '../footage/index.ts';

/** One footage of a comparison: the frame that all are lined up by, and the range it stays within, if any. */
export interface Compared {
  table: FrameTable;
  anchorFrame: FrameIndex;
  /** `toFrame` is the one after the last. */
  range: { fromFrame: FrameIndex; toFrame: FrameIndex } | null;
}

/**
 * Frame times are rounded in the files they come from, and sums of them are not exact: frames that begin this close begin together. Shorter
 * than any frame.
 */
const rounding: Seconds = timeSlack;

const fromAnchor = ({ table, anchorFrame }: Compared, frame: FrameIndex): Seconds =>
  secondsOfFrame(table, frame) - secondsOfFrame(table, anchorFrame);

/** The first and the last frame that a footage of a comparison shows. */
const ends = ({ table, range }: Compared): [FrameIndex, FrameIndex] => [
  range?.fromFrame ?? 0,
  Math.max(range?.fromFrame ?? 0, (range?.toFrame ?? table.times.length) - 1),
];

/** The frame shown `offset` seconds after the anchor (before it, where negative); beyond its range the first or last of it. */
export function comparedFrame(compared: Compared, offset: Seconds): FrameIndex {
  const at = frameAtSeconds(compared.table, secondsOfFrame(compared.table, compared.anchorFrame) + offset + rounding);
  const [first, last] = ends(compared);
  return Math.min(last, Math.max(first, at));
}

/**
 * The next (1) or previous (−1) offset at which any of them shows another frame, so that every frame of each is seen, whatever its frame
 * rate, and all stay in step. The same offset where none has one more.
 */
export function steppedOffset(all: readonly Compared[], offset: Seconds, direction: 1 | -1): Seconds {
  const candidates = all.flatMap((one) => {
    const frame = comparedFrame(one, offset);
    const [first, last] = ends(one);
    // Backwards, a frame that began before this offset begins again at its own start; from there, the one before it.
    const begins = fromAnchor(one, frame);
    const target = direction > 0 ? frame + 1 : begins < offset - rounding ? frame : frame - 1;
    const to = fromAnchor(one, target);
    return target < first || target > last || (to - offset) * direction <= rounding ? [] : [to];
  });
  if (candidates.length === 0) return offset;
  return direction > 0 ? Math.min(...candidates) : Math.max(...candidates);
}

/** From which offset to which they play: the longest of the ranges; null where none has one and the footage just goes on. */
export function comparedSpan(all: readonly Compared[]): { from: Seconds; to: Seconds } | null {
  const ranged = all.filter(({ range }) => range !== null);
  if (ranged.length === 0) return null;
  return {
    from: Math.min(...ranged.map((one) => fromAnchor(one, ends(one)[0]))),
    to: Math.max(...ranged.map((one) => fromAnchor(one, ends(one)[1]))),
  };
}
