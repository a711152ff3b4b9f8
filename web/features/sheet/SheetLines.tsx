import { memo } from 'react';
import { clockWidth, marginLeft, ribbonMiddle, ribbonWidth } from './sheetLayout.ts';
import type { MarginProps, SheetNote } from './SheetNotes.tsx';
import { useSheetDrag } from './useSheetDrag.ts';

interface SheetLinesProps extends MarginProps {
  /** Absent: feet stay where they are. */
  onMoveFoot?: ((noteId: string, atFrame: number) => void) | undefined;
}

const footX = clockWidth + ribbonWidth;

/** Hairlines from notes to their instants with feet to take hold of, brackets of ranges, and threads from causes to what they led to. */
export const SheetLines = memo(function SheetLines({ notes, tops, rowHeight, layout, window, selectedId, onMoveFoot }: SheetLinesProps) {
  const { held, grip } = useSheetDrag(layout, window, (id, frame) => onMoveFoot?.(id, frame));
  const byId = new Map(notes.map((note) => [note.id, note]));
  const middle = (id: string): number => (tops.get(id) ?? 0) + rowHeight / 2;
  const inside = (...ys: number[]): boolean => Math.max(...ys) >= window.from && Math.min(...ys) <= window.to;
  const footOf = (note: SheetNote): number => layout.yOf(held?.id === note.id ? held.frame : note.atFrame);

  return (
    <>
      {notes.flatMap((note) =>
        (note.causes ?? []).map((causeId) => {
          if (!byId.has(causeId) || !inside(middle(causeId), middle(note.id))) return null;
          const [from, to] = [middle(causeId), middle(note.id)];
          const out = marginLeft - 4 - Math.min(26, 8 + Math.abs(to - from) / 12);
          return (
            <path
              key={`${causeId} ${note.id}`}
              d={`M${marginLeft} ${from}C${out} ${from} ${out} ${to} ${marginLeft} ${to}m-5 -3l5 3l-5 3`}
              fill="none"
              className={note.id === selectedId || causeId === selectedId ? 'stroke-pine' : 'stroke-brass'}
              strokeWidth="1.6"
              data-thread
            >
              <title>What began there led to this</title>
            </path>
          );
        }),
      )}
      {notes.map((note) => {
        const [foot, top] = [footOf(note), middle(note.id)];
        const end = note.toFrame == null ? foot : layout.yOf(note.toFrame);
        if (!inside(foot, top, end)) return null;
        const selected = note.id === selectedId;
        return (
          <g key={note.id}>
            {end > foot && <path d={`M${footX + 6} ${foot}h3V${end}h-3`} fill="none" className="stroke-reed" strokeWidth="1.2" />}
            <path
              d={`M${ribbonMiddle} ${foot}H${footX}L${marginLeft} ${top}`}
              fill="none"
              className={selected ? 'stroke-pine' : 'stroke-reed'}
              strokeWidth={selected ? 1.6 : 0.8}
            />
            {onMoveFoot && (
              <circle
                cx={footX}
                cy={foot}
                r={selected ? 4.5 : 3}
                className={`cursor-ns-resize ${selected ? 'fill-pine' : 'fill-reed'}`}
                data-foot={note.id}
                {...grip(note.id, note.atFrame)}
              >
                <title>Drag it to another frame</title>
              </circle>
            )}
          </g>
        );
      })}
    </>
  );
});
