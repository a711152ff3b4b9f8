import { useMemo, useState, type PointerEvent } from 'react';
import type { Bout } from '@lean-mentor/contract';
import { fanMargin } from '@lean-mentor/core/desk';
import type { FrameTable } from '@lean-mentor/core/footage';
import type { FrameStretch } from '@lean-mentor/core/takes';
import { LocateFixed, Maximize2, Minus, Plus } from 'lucide-react';
import { IconButton } from '../../shared/primitives/index.ts';
import { Playhead, type Watched } from './Playhead.tsx';
import { sheetLayout } from './sheetLayout.ts';
import { SheetEdges } from './SheetEdges.tsx';
import { SheetLines, type SheetLinked } from './SheetLines.tsx';
import { SheetLives, type Life } from './SheetLives.tsx';
import { SheetMarks, type SheetClientMark, type SheetMark } from './SheetMarks.tsx';
import { SheetMotion, type SheetMotionData } from './SheetMotion.tsx';
import { SheetNotes, type SheetNote } from './SheetNotes.tsx';
import { SheetRibbon } from './SheetRibbon.tsx';
import { SheetForks, type SheetFork } from './SheetForks.tsx';
import { SheetThreats } from './SheetThreats.tsx';
import { SheetScore, type SheetInstant } from './SheetScore.tsx';
import { useSheetView } from './useSheetView.ts';

interface RoundSheetProps {
  table: FrameTable;
  /** How long the footage will be, where more of it is to come: the page does not shrink under the eye when it does. */
  pageSeconds?: number | undefined;
  bout: Bout | undefined;
  notes: readonly SheetNote[];
  marks?: readonly SheetMark[];
  /** Where the client thinks it went wrong. */
  clientMarks?: readonly SheetClientMark[];
  motion?: SheetMotionData | undefined;
  /** Stretches that were watched: where one looked again is shown. */
  looks?: readonly { fromFrame: number; toFrame: number }[];
  /** What was spoken over. */
  spoken?: readonly FrameStretch[];
  drawings?: readonly Life[];
  selectedDrawing?: string | null;
  /** Points as they are given, and what happened. */
  forks?: readonly SheetFork[];
  awards?: readonly SheetInstant[];
  events?: readonly SheetInstant[];
  /** What is coded and linked to notes. */
  linked?: readonly SheetLinked[];
  /** What plays beside the page; the page follows it. */
  watched?: Watched | undefined;
  selectedId?: string | null;
  /** Absent: the sheet is for reading only. */
  onGo?: (frame: number, noteId: string | null) => void;
  onMoveFoot?: (noteId: string, atFrame: number) => void;
  /** Given while positions are coded: the edges of spans can be dragged. */
  onMoveEdge?: ((fromFrame: number, atFrame: number) => void) | undefined;
  onMoveLife?: (drawingId: string, life: { fromFrame: number; toFrame: number }) => void;
}

/** Height of a note in the margin: two lines, or where they crowd one. */
const noteHeight = 50;
const crowdedHeight = 23;
const noteGap = 4;
/** Enlarged most, the box shows this much, in seconds. */
const leastSeconds = 2;
const none: readonly never[] = [];

/** The vertical page of a bout: time runs down, the ribbon sways right for the client, notes stand in the margin. */
export function RoundSheet({
  table,
  pageSeconds = table.endSeconds,
  bout,
  notes,
  marks = none,
  clientMarks = none,
  motion,
  looks = none,
  spoken = none,
  drawings = none,
  selectedDrawing = null,
  forks = none,
  awards = none,
  events = none,
  linked = none,
  watched,
  selectedId = null,
  onGo,
  onMoveFoot,
  onMoveLife,
  onMoveEdge,
}: RoundSheetProps) {
  const view = useSheetView(Math.max(1, pageSeconds / leastSeconds));
  const { box, width, height, zoom } = view;
  const [follows, setFollows] = useState(true);
  const count = notes.length;
  const rowHeight = count * (noteHeight + noteGap) > height * zoom ? crowdedHeight : noteHeight;
  // Notes that do not fit make the page longer; the box then scrolls.
  const pageHeight = Math.max(Math.floor(height * zoom), count * (rowHeight + noteGap));
  const layout = useMemo(() => sheetLayout(table, bout, pageHeight, pageSeconds), [table, bout, pageHeight, pageSeconds]);
  const tops = useMemo(
    () =>
      fanMargin(
        notes.map((note) => ({ id: note.id, anchor: layout.yOf(note.atFrame), height: rowHeight })),
        noteGap,
        pageHeight,
      ),
    [notes, layout, rowHeight, pageHeight],
  );
  const [from, to] = [Math.max(0, view.drawn.from), Math.min(pageHeight, Math.max(view.drawn.to, 1))];
  const drawn = useMemo(() => ({ from, to }), [from, to]);
  const goTo = (event: PointerEvent<SVGSVGElement>): void =>
    onGo?.(layout.frameAtY(event.clientY - event.currentTarget.getBoundingClientRect().top + from), null);
  const lines = { notes, tops, rowHeight, layout, window: drawn, selectedId };
  return (
    <div className="relative h-full min-h-0 w-full">
      <div
        ref={box}
        onScroll={view.onScroll}
        className="h-full w-full overflow-x-hidden overflow-y-auto"
        aria-label="Round sheet"
        role="group"
      >
        {height > 0 && (
          <div className="relative" style={{ height: pageHeight }}>
            <svg
              width={width}
              height={to - from}
              viewBox={`0 ${from} ${Math.max(1, width)} ${Math.max(1, to - from)}`}
              style={{ top: from }}
              className={`absolute left-0 select-none ${onGo ? 'cursor-pointer' : ''}`}
              onPointerDown={(event) => {
                if (event.button > 0 || !onGo) return;
                event.currentTarget.setPointerCapture(event.pointerId);
                goTo(event);
              }}
              onPointerMove={(event) => event.buttons === 1 && goTo(event)}
            >
              <SheetRibbon layout={layout} bout={bout} window={drawn} />
              {motion && <SheetMotion layout={layout} motion={motion} window={drawn} />}
              {bout && bout.threats.length > 0 && <SheetThreats {...{ layout, bout, window: drawn }} />}
              <SheetForks {...{ layout, window: drawn, forks }} />
              <SheetScore {...{ layout, window: drawn, awards, events }} />
              {bout && onMoveEdge && <SheetEdges {...{ layout, window: drawn, bout, onMoveEdge }} />}
              <SheetMarks {...{ layout, window: drawn, marks, clientMarks, looks, spoken }} />
              <SheetLives {...{ layout, window: drawn, drawings, onMoveLife }} selectedId={selectedDrawing} />
              <SheetLines {...lines} linked={linked} onMoveFoot={onMoveFoot} />
              {watched && <Playhead layout={layout} watched={watched} keepInSight={follows ? view.keepInSight : null} />}
            </svg>
            <SheetNotes {...lines} onGo={onGo} />
          </div>
        )}
      </div>
      {onGo && (
        <div
          role="group"
          aria-label="How much of the sheet is seen"
          className="absolute right-2 bottom-2 flex border border-seam bg-straw/90"
        >
          <IconButton
            icon={Minus}
            words="More of the bout (Ctrl and the wheel)"
            onClick={() => view.zoomBy(1 / 1.6)}
            disabled={zoom <= 1}
          />
          <IconButton icon={Plus} words="Fewer seconds, larger (Ctrl and the wheel)" onClick={() => view.zoomBy(1.6)} />
          <IconButton icon={Maximize2} words="The whole bout" onClick={view.whole} disabled={zoom <= 1} />
          {watched && (
            <IconButton icon={LocateFixed} words="The sheet follows the play" onClick={() => setFollows(!follows)} pressed={follows} />
          )}
        </div>
      )}
    </div>
  );
}
