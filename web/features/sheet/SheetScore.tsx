import { memo } from 'react';
import { clockWidth, ribbonWidth, type SheetLayout } from './sheetLayout.ts';
import type { SheetWindow } from './useSheetView.ts';

/** Something that stands on the ribbon's edge at an instant of the bout. */
export interface SheetInstant {
  id: string;
  atFrame: number;
  athlete: 'client' | 'partner' | null;
  /** A few letters, such as "+2". */
  mark: string;
  words: string;
}

interface SheetScoreProps {
  layout: SheetLayout;
  window: SheetWindow;
  /** Points as they are given, and what happened. */
  awards: readonly SheetInstant[];
  events: readonly SheetInstant[];
}

const side = { client: clockWidth + ribbonWidth - 4, partner: clockWidth + 4 };
const anchor = { client: 'end', partner: 'start' } as const;
const fill = { client: 'fill-client', partner: 'fill-partner' };
/** Width of the plate behind a few letters, in pixels. */
const width = (mark: string): number => 6 + 7 * mark.length;
/** Half of an event’s small square, in pixels. */
const half = 3;

/** Points as they change, on the side of the one who gets them, and events as small squares. */
export const SheetScore = memo(function SheetScore({ layout, window, awards, events }: SheetScoreProps) {
  const inside = (y: number): boolean => y >= window.from - 8 && y <= window.to + 8;
  return (
    <>
      {events.map(({ id, atFrame, athlete, words }) => {
        const y = layout.yOf(atFrame);
        if (!inside(y)) return null;
        const x = athlete ? side[athlete] : clockWidth + ribbonWidth / 2;
        return (
          <rect
            key={id}
            x={x - half}
            y={y - half}
            width={half * 2}
            height={half * 2}
            transform={`rotate(45 ${x} ${y})`}
            className={`stroke-linen ${athlete ? fill[athlete] : 'fill-ink'}`}
            data-event
          >
            <title>{words}</title>
          </rect>
        );
      })}
      {awards.map(({ id, atFrame, athlete, mark, words }) => {
        const y = layout.yOf(atFrame);
        if (!inside(y) || !athlete) return null;
        return (
          <g key={id} data-award>
            <rect
              x={athlete === 'client' ? side.client - width(mark) + 2 : side.partner - 2}
              y={y - 7}
              width={width(mark)}
              height={14}
              rx={2}
              className={`fill-linen ${athlete === 'client' ? 'stroke-client' : 'stroke-partner'}`}
            />
            <text x={side[athlete]} y={y + 4} textAnchor={anchor[athlete]} className={`time text-tiny font-semibold ${fill[athlete]}`}>
              {mark}
            </text>
            <title>{words}</title>
          </g>
        );
      })}
    </>
  );
});
