import { comparedFrame, type ComparisonItem } from '../desk/index.ts';
import type { FrameIndex, FrameTable, Seconds } from '../footage/index.ts';

/** A footage in the compare tray: the frame by which it is lined up, and the range within which it stays, if any. */
export type TakeCompared = Pick<ComparisonItem, 'footageId' | 'anchorFrame' | 'mirrored'> & {
  range: { fromFrame: FrameIndex; toFrame: FrameIndex } | null;
};

/** Frames of several footages beside or over each other, as the compare tray shows them at an instant. */
export interface TakeComparison {
  layout: 'side' | 'over';
  /** How opaque those are that lie over the first, 0..1. */
  opacity: number;
  items: readonly TakeCompared[];
  /** How far all are from their anchors, and how fast that grows. */
  offset: Seconds;
  rate: number;
  /** From where to where they are played over and over; null: they go on. */
  span: { from: Seconds; to: Seconds } | null;
}

/** How far they are from their anchors `passed` seconds of the recording later: what is played over and over begins again. */
export function offsetAfter({ offset, rate, span }: Pick<TakeComparison, 'offset' | 'rate' | 'span'>, passed: Seconds): Seconds {
  const on = offset + rate * passed;
  if (!span || rate === 0 || on <= span.to) return on;
  const long = span.to - span.from;
  return long > 0 ? span.from + ((on - span.to) % long) : span.from;
}

/** The same comparison so many seconds later. */
export const comparisonAfter = (comparison: TakeComparison, passed: Seconds): TakeComparison => ({
  ...comparison,
  offset: offsetAfter(comparison, passed),
});

/** Which frame of a compared footage is seen. `table`: of that footage. */
export const frameSeen = (
  { anchorFrame, range }: TakeCompared,
  { offset }: Pick<TakeComparison, 'offset'>,
  table: FrameTable,
): FrameIndex => comparedFrame({ table, anchorFrame, range }, offset);

/** How many stand in a row: two wide pictures are larger one below the other, two tall ones side by side. */
export const inARow = (many: number, { width, height }: { width: number; height: number }): number =>
  many > 2 || (many === 2 && height > width) ? 2 : 1;

/** So many pictures stand beside each other, in so many rows. */
export interface ComparisonGrid {
  columns: number;
  rows: number;
}

/** How so many pictures of a shape are laid out, whether on a ground of that shape or larger. */
export function comparisonGrid(many: number, size: { width: number; height: number }): ComparisonGrid {
  const columns = inARow(many, size);
  return { columns, rows: Math.ceil(many / columns) };
}

/** Where each of so many pictures stands beside the others, as shares of the whole. */
export function comparisonCells(
  many: number,
  { columns, rows }: ComparisonGrid,
): { x: number; y: number; width: number; height: number }[] {
  return Array.from({ length: many }, (_, i) => ({
    x: (i % columns) / columns,
    y: Math.floor(i / columns) / rows,
    width: 1 / columns,
    height: 1 / rows,
  }));
}
