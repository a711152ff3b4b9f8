import { looksBack } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import type { FrameStretch } from '@lean-mentor/core/takes';
import { memo } from 'react';
import { clockWidth, ribbonWidth, type SheetLayout } from './sheetLayout.ts';
import type { SheetWindow } from './useSheetView.ts';

export interface SheetMark {
  id: string;
  atFrame: number;
  toFrame?: number | null;
}
export interface SheetClientMark {
  id: string;
  atFrame: number;
  words: string;
}

interface SheetMarksProps {
  layout: SheetLayout;
  window: SheetWindow;
  marks: readonly SheetMark[];
  clientMarks: readonly SheetClientMark[];
  looks: readonly { fromFrame: number; toFrame: number }[];
  spoken: readonly FrameStretch[];
}

/** Height of a row of the looks-back column, in pixels; so many looks back are shown at full strength. */
const lookRow = 6;
const fullLooks = 5;
/** Left edge and width of the column that shows where one looked again and again. */
const looksLeft = 1;
const looksWidth = 5;

/** A frame that was spoken about is a stitch of so many pixels. */
const leastThread = 3;

/** What stands beside the ribbon: the coach's marks, the client's own, where one looked back, and a thread along what was spoken over. */
export const SheetMarks = memo(function SheetMarks({ layout, window, marks, clientMarks, looks, spoken }: SheetMarksProps) {
  const seen = (from: number, to: number): boolean => to >= window.from && from <= window.to;
  const clock = (frame: number): string => clockText(layout.secondsAt(frame) - layout.boutStart);
  const [top, bottom] = [Math.max(layout.boutTop, window.from), Math.min(layout.boutBottom, window.to)];
  const rows = Math.max(0, Math.floor((bottom - top) / lookRow));
  const counts = looksBack(looks, { fromFrame: layout.frameAtY(top), toFrame: layout.frameAtY(bottom) + 1 }, rows);
  return (
    <>
      {counts.map((count, row) =>
        count > 0 ? (
          <rect
            key={row}
            x={looksLeft}
            y={top + row * lookRow}
            width={looksWidth}
            height={lookRow}
            className="fill-pine"
            opacity={0.25 + (0.75 * Math.min(count, fullLooks)) / fullLooks}
            data-looks-back={count}
          >
            <title>Looked at {count + 1} times</title>
          </rect>
        ) : null,
      )}
      {spoken.map(({ fromFrame, toFrame }) => {
        const [y, end] = [layout.yOf(fromFrame), layout.yOf(toFrame)];
        if (!seen(y - leastThread, end + leastThread)) return null;
        return (
          <rect
            key={fromFrame}
            x={clockWidth + ribbonWidth + 5}
            y={y}
            width={2}
            height={Math.max(leastThread, end - y)}
            className="fill-pine"
            data-spoken-over
          >
            <title>Spoken over from {clock(fromFrame)}</title>
          </rect>
        );
      })}
      {marks.map((mark) => {
        const y = layout.yOf(mark.atFrame);
        const end = mark.toFrame == null ? y : layout.yOf(mark.toFrame);
        if (!seen(y - 4, end + 4)) return null;
        const bracket = end > y ? `M${clockWidth + ribbonWidth + 7} ${y}h3V${end}h-3` : '';
        return (
          <g key={mark.id}>
            <path d={`M${clockWidth + ribbonWidth} ${y}l7 -4v8Z`} className="fill-pine">
              <title>Mark at {clock(mark.atFrame)}</title>
            </path>
            {bracket && <path d={bracket} fill="none" className="stroke-pine" strokeWidth="1.5" />}
          </g>
        );
      })}
      {clientMarks.map((mark) => {
        const y = layout.yOf(mark.atFrame);
        if (!seen(y - 5, y + 5)) return null;
        return (
          <path
            key={mark.id}
            d={`M${clockWidth - 1} ${y}l-7 -5v10Z`}
            className="fill-straw stroke-client"
            strokeWidth="1.5"
            data-client-mark
          >
            <title>
              The client’s own mark at {clock(mark.atFrame)}: {mark.words || 'no words'}
            </title>
          </path>
        );
      })}
    </>
  );
});
