import { memo } from 'react';
import type { Bout } from '@lean-mentor/contract';
import { clockText } from '@lean-mentor/core/footage';
import { positionName } from '@lean-mentor/core/scoring';
import { RibbonShape } from './RibbonShape.tsx';
import { clockWidth, ribbonMiddle, ribbonWidth, type SheetLayout } from './sheetLayout.ts';
import { usePositionValues } from '../scoring/index.ts';
import type { SheetWindow } from './useSheetView.ts';

/** So far from the ribbon’s edge a name begins, in pixels: what happened stands on the edge itself. */
const nameInset = 10;
/** The name of a stretch shorter than this many pixels is left out. */
const leastLabelled = 13;

/** The page's clock, ribbon and position names. Redrawn only when the bout or the page's size changes. */
export const SheetRibbon = memo(function SheetRibbon({
  layout,
  bout,
  window,
}: {
  layout: SheetLayout;
  bout: Bout | undefined;
  window: SheetWindow;
}) {
  const { yOf, yOfSeconds, boutStart, boutTop, boutBottom } = layout;
  const length = boutBottom - boutTop;
  const values = usePositionValues();
  return (
    <>
      <rect x={clockWidth} y={boutTop} width={ribbonWidth} height={length} className="fill-linen" />
      {layout.ticks.map((seconds) => {
        const y = yOfSeconds(boutStart + seconds);
        if (y < window.from || y > window.to) return null;
        return (
          <g key={seconds}>
            <line x1={clockWidth - 5} x2={clockWidth + ribbonWidth} y1={y} y2={y} className="stroke-seam" />
            <text x={clockWidth - 8} y={y + 3.5} textAnchor="end" className="time fill-reed text-tiny">
              {clockText(seconds)}
            </text>
          </g>
        );
      })}
      <line x1={ribbonMiddle} x2={ribbonMiddle} y1={boutTop} y2={boutBottom} className="stroke-seam" />
      {bout && bout.spans.length > 0 && (
        <g transform={`translate(${clockWidth} ${boutTop})`}>
          <RibbonShape bout={bout} width={ribbonWidth} height={length} secondsAt={layout.secondsAt} values={values} />
        </g>
      )}
      {bout?.spans.map((span, i) => {
        const from = yOf(span.fromFrame);
        const to = yOf(span.toFrame);
        if (to - from < leastLabelled || to < window.from || from > window.to) return null;
        // A stretch that was parted only to say how the two are in it has its name once.
        const before = bout.spans[i - 1];
        if (before && before.position === span.position && before.holder === span.holder && before.name === span.name) return null;
        // Where a stretch is longer than what is drawn, its name stays in sight.
        const middle = (Math.max(from, window.from) + Math.min(to, window.to)) / 2;
        // The name stands on the side the ribbon leaves free.
        const right = span.holder === 'partner';
        return (
          <text
            key={span.fromFrame}
            x={right ? clockWidth + ribbonWidth - nameInset : clockWidth + nameInset}
            y={middle + 3.5}
            textAnchor={right ? 'end' : 'start'}
            className="fill-ink stroke-linen text-tiny [paint-order:stroke]"
            strokeWidth="3"
          >
            {span.name ?? positionName(span.position)}
          </text>
        );
      })}
    </>
  );
});
