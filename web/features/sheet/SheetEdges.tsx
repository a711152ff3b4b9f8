import type { Bout } from '@lean-mentor/contract';
import { clockText } from '@lean-mentor/core/footage';
import { memo } from 'react';
import { clockWidth, ribbonWidth, type SheetLayout } from './sheetLayout.ts';
import { useSheetDrag } from './useSheetDrag.ts';
import type { SheetWindow } from './useSheetView.ts';

interface SheetEdgesProps {
  layout: SheetLayout;
  window: SheetWindow;
  bout: Bout;
  onMoveEdge: (fromFrame: number, atFrame: number) => void;
}

/** While positions are coded: the edges between spans, to be dragged to the exact frame. */
export const SheetEdges = memo(function SheetEdges({ layout, window, bout, onMoveEdge }: SheetEdgesProps) {
  const { held, grip } = useSheetDrag(layout, window, (id, frame) => onMoveEdge(Number(id), frame));
  return (
    <>
      {bout.spans.slice(1).map(({ fromFrame }) => {
        const frame = held?.id === String(fromFrame) ? held.frame : fromFrame;
        const y = layout.yOf(frame);
        if (y < window.from - 5 || y > window.to + 5) return null;
        return (
          <g key={fromFrame} className="cursor-ns-resize" {...grip(String(fromFrame), fromFrame)} data-edge={fromFrame}>
            <rect x={clockWidth} y={y - 4} width={ribbonWidth} height={8} fill="transparent" />
            <line
              x1={clockWidth}
              x2={clockWidth + ribbonWidth}
              y1={y}
              y2={y}
              className="stroke-pine"
              strokeWidth="1.4"
              strokeDasharray="4 3"
            />
            <rect x={clockWidth - 3} y={y - 4} width={6} height={8} rx={2} className="fill-pine" />
            <title>Drag it to the exact frame: {clockText(layout.secondsAt(frame) - layout.boutStart, true)}</title>
          </g>
        );
      })}
    </>
  );
});
