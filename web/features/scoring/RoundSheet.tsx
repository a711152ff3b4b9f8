import { memo, useCallback, useMemo, useRef, type PointerEvent } from 'react';
import type { Bout } from '@lean-mentor/contract';
import { fanMargin, type NoteKind } from '@lean-mentor/core/desk';
import { clockText, type FrameTable } from '@lean-mentor/core/footage';
import { KindGlyph, kindWords, useSize } from '../../shared/primitives/index.ts';
import { clockWidth, marginLeft, ribbonMiddle, ribbonWidth, sheetLayout, type SheetLayout } from './sheetLayout.ts';
import { SheetMotion, type SheetMotionData } from './SheetMotion.tsx';
import { SheetRibbon } from './SheetRibbon.tsx';

/** A note as it stands in the margin. */
export interface SheetNote {
  id: string;
  atFrame: number;
  kind: NoteKind;
  words: string;
  /** Its number among the fixes, where it is one. */
  fix?: number | undefined;
}

interface RoundSheetProps {
  table: FrameTable;
  bout: Bout | undefined;
  notes: readonly SheetNote[];
  marks?: readonly { id: string; atFrame: number }[];
  /** Where the client thinks it went wrong. */
  clientMarks?: readonly { id: string; atFrame: number; words: string }[];
  motion?: SheetMotionData | undefined;
  atFrame?: number;
  selectedId?: string | null;
  /** Absent: the sheet is for reading only. */
  onGo?: (frame: number, noteId: string | null) => void;
}

const noteHeight = 50;
const noteGap = 4;
const noMarks: readonly never[] = [];

/** The vertical page of a bout: time runs down, the ribbon sways right for the client, notes stand in the margin. */
export function RoundSheet({
  table,
  bout,
  notes,
  marks = noMarks,
  clientMarks = noMarks,
  motion,
  atFrame,
  selectedId,
  onGo,
}: RoundSheetProps) {
  const page = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(page);
  const layout = useMemo(() => sheetLayout(table, bout, height), [table, bout, height]);
  const tops = useMemo(
    () =>
      fanMargin(
        notes.map((n) => ({ id: n.id, anchor: layout.yOf(n.atFrame), height: noteHeight })),
        noteGap,
        height,
      ),
    [notes, layout, height],
  );
  const goTo = (event: PointerEvent<SVGSVGElement>): void =>
    onGo?.(layout.frameAtY(event.clientY - event.currentTarget.getBoundingClientRect().top), null);
  return (
    <div ref={page} className="relative h-full min-h-0 w-full" aria-label="Round sheet">
      {height > 0 && (
        <svg
          width={width}
          height={height}
          className={`absolute inset-0 select-none ${onGo ? 'cursor-pointer' : ''}`}
          onPointerDown={(event) => {
            if (onGo) event.currentTarget.setPointerCapture(event.pointerId);
            goTo(event);
          }}
          onPointerMove={(event) => event.buttons === 1 && goTo(event)}
        >
          <SheetRibbon layout={layout} bout={bout} />
          {motion && <SheetMotion layout={layout} motion={motion} height={height} />}
          {marks.map((mark) => (
            <path key={mark.id} d={`M${clockWidth + ribbonWidth} ${layout.yOf(mark.atFrame)}l7 -4v8Z`} className="fill-pine">
              <title>Mark at {clockText(layout.secondsAt(mark.atFrame) - layout.boutStart)}</title>
            </path>
          ))}
          {clientMarks.map((mark) => (
            <path
              key={mark.id}
              d={`M${clockWidth - 1} ${layout.yOf(mark.atFrame)}l-7 -5v10Z`}
              className="fill-straw stroke-client"
              strokeWidth="1.5"
              data-client-mark
            >
              <title>
                The client’s own mark at {clockText(layout.secondsAt(mark.atFrame) - layout.boutStart)}: {mark.words || 'no words'}
              </title>
            </path>
          ))}
          {notes.map((note) => (
            <path
              key={note.id}
              d={`M${ribbonMiddle} ${layout.yOf(note.atFrame)}H${clockWidth + ribbonWidth}L${marginLeft} ${(tops.get(note.id) ?? 0) + noteHeight / 2}`}
              fill="none"
              className={note.id === selectedId ? 'stroke-pine' : 'stroke-reed'}
              strokeWidth={note.id === selectedId ? 1.6 : 0.8}
            />
          ))}
          {atFrame !== undefined && (
            <path
              d={`M${clockWidth - 6} ${layout.yOf(atFrame)}H${clockWidth + ribbonWidth + 6}`}
              className="stroke-ink"
              strokeWidth="1.5"
            />
          )}
        </svg>
      )}
      <SheetNotes notes={notes} tops={tops} layout={layout} selectedId={selectedId ?? null} onGo={onGo} />
    </div>
  );
}

interface SheetNotesProps {
  notes: readonly SheetNote[];
  tops: ReadonlyMap<string, number>;
  layout: SheetLayout;
  selectedId: string | null;
  onGo: RoundSheetProps['onGo'];
}

const SheetNotes = memo(function SheetNotes({ notes, tops, layout, selectedId, onGo }: SheetNotesProps) {
  return (
    <ol aria-label="Notes">
      {notes.map((note) => (
        <li key={note.id} className="absolute right-0" style={{ top: tops.get(note.id), left: marginLeft, height: noteHeight }}>
          <MarginNote note={note} at={layout.secondsAt(note.atFrame) - layout.boutStart} selected={note.id === selectedId} onGo={onGo} />
        </li>
      ))}
    </ol>
  );
});

function MarginNote({ note, at, selected, onGo }: { note: SheetNote; at: number; selected: boolean; onGo: RoundSheetProps['onGo'] }) {
  const go = useCallback(() => onGo?.(note.atFrame, note.id), [onGo, note]);
  const look = `flex h-full w-full items-start gap-2 overflow-hidden border-l-2 px-2 py-1 ${selected ? 'border-pine bg-linen' : 'border-transparent'}`;
  const words = (
    <>
      <span className="mt-0.5">
        <KindGlyph kind={note.kind} />
      </span>
      <span className="line-clamp-2 text-left text-small leading-tight">
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
}
