import { memo } from 'react';
import { clockWidth, marginLeft, ribbonMiddle, ribbonWidth } from './sheetLayout.ts';
import type { MarginProps, SheetNote } from './SheetNotes.tsx';
import { useSheetDrag } from './useSheetDrag.ts';

/** Something coded that notes are linked to. */
export interface SheetLinked {
  id: string;
  atFrame: number;
  causes: readonly string[];
}

interface SheetLinesProps extends MarginProps {
  linked: readonly SheetLinked[];
  /** Absent: feet stay where they are. */
  onMoveFoot?: ((noteId: string, atFrame: number) => void) | undefined;
}

const footX = clockWidth + ribbonWidth;

/**
 * Hairlines from notes to their instants with feet to take hold of, brackets of ranges, and threads from causes to what they led to:
 * between two notes in the margin, and between a note and what is coded up to the ribbon.
 */
export const SheetLines = memo(function SheetLines({
  notes,
  linked,
  tops,
  rowHeight,
  layout,
  window,
  selectedId,
  onMoveFoot,
}: SheetLinesProps) {
  const { held, grip } = useSheetDrag(layout, window, (id, frame) => onMoveFoot?.(id, frame));
  const byId = new Map(notes.map((note) => [note.id, note]));
  const middle = (id: string): number => (tops.get(id) ?? 0) + rowHeight / 2;
  const inside = (...ys: number[]): boolean => Math.max(...ys) >= window.from && Math.min(...ys) <= window.to;
  const footOf = (note: SheetNote): number => layout.yOf(held?.id === note.id ? held.frame : note.atFrame);

  const threads = [...notes.map(({ id, causes = [] }) => ({ id, causes })), ...linked].flatMap(({ id, causes }) =>
    causes.map((causeId) => ({ id, causeId })),
  );
  const coded = new Map(linked.map((one) => [one.id, layout.yOf(one.atFrame)]));
  /** Where a thread ends: at the note in the margin, or at the ribbon where something is coded. */
  const endOf = (id: string): { x: number; y: number } | null => {
    const y = coded.get(id);
    if (y !== undefined) return { x: footX + 4, y };
    return byId.has(id) ? { x: marginLeft, y: middle(id) } : null;
  };

  return (
    <>
      {threads.map(({ id, causeId }) => {
        const [from, to] = [endOf(causeId), endOf(id)];
        if (!from || !to || !inside(from.y, to.y)) return null;
        const out = Math.min(from.x, to.x) - 4 - Math.min(26, 8 + Math.abs(to.y - from.y) / 12);
        return (
          <path
            key={`${causeId} ${id}`}
            d={`M${from.x} ${from.y}C${out} ${from.y} ${out} ${to.y} ${to.x} ${to.y}m-5 -3l5 3l-5 3`}
            fill="none"
            className={id === selectedId || causeId === selectedId ? 'stroke-pine' : 'stroke-brass'}
            strokeWidth="1.6"
            data-thread
          >
            <title>What began there led to this</title>
          </path>
        );
      })}
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
