import { memo } from 'react';
import type { PictureEdge } from '@lean-mentor/core/footage';
import { clockWidth, ribbonWidth, type SheetLayout } from './sheetLayout.ts';
import type { SheetWindow } from './useSheetView.ts';

/** What was read off the footage's movement, as far as the sheet shows it. */
export interface SheetMotionData {
  /** 0..1 for each frame. */
  level: readonly number[];
  lost: readonly { fromFrame: number; toFrame: number; edge: PictureEdge }[];
}

/** Width of the curve in pixels, along the ribbon column's left edge. */
const curveWidth = 16;

/** The motion curve, one bar a pixel row (the strongest moment in it), and bands where the action is out of the picture. */
export const SheetMotion = memo(function SheetMotion({
  layout,
  motion,
  window,
}: {
  layout: SheetLayout;
  motion: SheetMotionData;
  window: SheetWindow;
}) {
  const top = Math.floor(window.from);
  const rows = new Float64Array(Math.max(0, Math.ceil(window.to) - top));
  const last = Math.min(motion.level.length, layout.frameAtY(window.to) + 1);
  for (let frame = layout.frameAtY(window.from); frame < last; frame++) {
    const row = Math.round(layout.yOf(frame)) - top;
    if (row >= 0 && row < rows.length) rows[row] = Math.max(rows[row]!, motion.level[frame]!);
  }
  const path = Array.from(rows, (level, row) =>
    level > 0.02 ? `M${clockWidth} ${top + row}h${(level * curveWidth).toFixed(1)}` : '',
  ).join('');
  return (
    <>
      <path d={path} className="stroke-reed" strokeWidth="1" opacity="0.45" />
      {motion.lost.map(({ fromFrame, toFrame, edge }) => (
        <rect
          key={fromFrame}
          x={clockWidth}
          y={layout.yOf(fromFrame)}
          width={ribbonWidth}
          height={Math.max(2, layout.yOf(toFrame) - layout.yOf(fromFrame))}
          className="fill-stage"
          opacity="0.16"
        >
          <title>The action is out of the picture, on the {edge}</title>
        </rect>
      ))}
    </>
  );
});
