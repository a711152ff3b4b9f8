import type { NoteKind } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import { memo, useCallback } from 'react';
import { KindGlyph, kindWords } from '../../shared/primitives/index.ts';
import { marginLeft, type SheetLayout } from './sheetLayout.ts';
import type { SheetWindow } from './useSheetView.ts';

/** A note as it stands in the margin. */
export interface SheetNote {
  id: string;
  atFrame: number;
  toFrame?: number | null;
  kind: NoteKind;
  words: string;
  /** Its number among the fixes, where it is one. */
  fix?: number | undefined;
  causes?: readonly string[];
}

/** Notes in the margin as they are laid out, and what of the page is drawn. */
export interface MarginProps {
  notes: readonly SheetNote[];
  tops: ReadonlyMap<string, number>;
  rowHeight: number;
  layout: SheetLayout;
  window: SheetWindow;
  selectedId: string | null;
}

interface SheetNotesProps extends MarginProps {
  onGo: ((frame: number, noteId: string | null) => void) | undefined;
}

/** The notes in the margin; only those near what is seen are drawn. */
export const SheetNotes = memo(function SheetNotes({ notes, tops, rowHeight, layout, window, selectedId, onGo }: SheetNotesProps) {
  return (
    <ol aria-label="Notes">
      {notes.map((note) => {
        const top = tops.get(note.id) ?? 0;
        if (top + rowHeight < window.from || top > window.to) return null;
        return (
          <li key={note.id} className="absolute right-0" style={{ top, left: marginLeft, height: rowHeight }}>
            <MarginNote
              note={note}
              at={layout.secondsAt(note.atFrame) - layout.boutStart}
              lines={rowHeight > 30 ? 2 : 1}
              selected={note.id === selectedId}
              onGo={onGo}
            />
          </li>
        );
      })}
    </ol>
  );
});

interface MarginNoteProps {
  note: SheetNote;
  at: number;
  lines: 1 | 2;
  selected: boolean;
  onGo: SheetNotesProps['onGo'];
}

const MarginNote = memo(function MarginNote({ note, at, lines, selected, onGo }: MarginNoteProps) {
  const go = useCallback(() => onGo?.(note.atFrame, note.id), [onGo, note]);
  const look = `flex h-full w-full items-start gap-2 overflow-hidden border-l-2 px-2 ${lines === 2 ? 'py-1' : 'py-0.5'} ${selected ? 'border-pine bg-linen' : 'border-transparent'}`;
  const words = (
    <>
      <span className="mt-0.5">
        <KindGlyph kind={note.kind} />
      </span>
      <span className={`text-left text-small leading-tight ${lines === 2 ? 'line-clamp-2' : 'truncate'}`}>
        <span className="time mr-1.5 text-reed">{clockText(at)}</span>
        {note.fix !== undefined && <strong>Fix {note.fix}. </strong>}
        <span className="sr-only">{kindWords[note.kind]}: </span>
        {note.words || 'Nothing written yet'}
      </span>
    </>
  );
  if (!onGo) return <div className={look}>{words}</div>;
  return (
    <button className={`${look} hover:bg-linen`} onClick={go}>
      {words}
    </button>
  );
});
