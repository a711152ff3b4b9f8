import { memo } from 'react';
import type { Bout } from '@lean-mentor/contract';
import { clockWidth, ribbonWidth, type SheetLayout } from './sheetLayout.ts';
import type { SheetWindow } from './useSheetView.ts';

/** Two thin lanes right beside the ribbon: the client’s attacks next to it, the partner’s outside. In pixels. */
const laneWidth = 5;
const laneOf = { client: clockWidth + ribbonWidth + 1, partner: clockWidth + ribbonWidth + 7 };
const line = { client: 'stroke-client fill-linen', partner: 'stroke-partner fill-linen' };
const tight = { client: 'fill-client', partner: 'fill-partner' };
/** What is shorter than this, in pixels, is drawn as long as this. */
const leastHeight = 4;

/** Finishing attacks as a second thin band: open while they are on, filled while they are tight. */
export const SheetThreats = memo(function SheetThreats({ layout, bout, window }: { layout: SheetLayout; bout: Bout; window: SheetWindow }) {
  return (
    <>
      {bout.threats.map(({ athlete, name, fromFrame, lockedFrame, toFrame, ended }) => {
        const [from, to] = [layout.yOf(fromFrame), Math.max(layout.yOf(toFrame), layout.yOf(fromFrame) + leastHeight)];
        if (to < window.from || from > window.to) return null;
        const locked = lockedFrame === undefined ? null : Math.min(layout.yOf(lockedFrame), to - 2);
        const seconds = lockedFrame === undefined ? 0 : layout.secondsAt(toFrame) - layout.secondsAt(lockedFrame);
        return (
          <g key={`${athlete} ${fromFrame}`} data-threat={athlete}>
            <title>
              {athlete === 'client' ? 'Client' : 'Partner'} attacks: {name}, {ended}
              {seconds > 0 ? `; tight for ${seconds.toFixed(1)} s` : ''}
            </title>
            <rect x={laneOf[athlete]} y={from} width={laneWidth} height={to - from} className={line[athlete]} />
            {locked !== null && <rect x={laneOf[athlete]} y={locked} width={laneWidth} height={to - locked} className={tight[athlete]} />}
          </g>
        );
      })}
    </>
  );
});
