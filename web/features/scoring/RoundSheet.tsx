import { useRef } from 'react';
import type { Bout } from '@lean-mentor/contract';
import { fanMargin, type NoteKind } from '@lean-mentor/core/desk';
import { clockText, frameAtSeconds, secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import { positionName } from '@lean-mentor/core/scoring';
import { KindGlyph, kindWords, useSize } from '../../shared/primitives/index.ts';
import { ribbonPath, RibbonShape } from './RibbonShape.tsx';

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
  atFrame?: number;
  selectedId?: string | null;
  /** Absent: the sheet is for reading only. */
  onGo?: (frame: number, noteId: string | null) => void;
}

const clockWidth = 40;
const ribbonWidth = 150;
const noteHeight = 50;
const noteGap = 4;
/** Label and ribbon do not fit a stretch shorter than this many pixels. */
const leastLabelled = 13;

/** Seconds between two ticks of the clock, so that ticks stay about 40 px apart. */
const tickSeconds = (secondsPerPixel: number): number =>
  [1, 2, 5, 10, 15, 30, 60, 120, 300, 600].find((s) => s / secondsPerPixel >= 40) ?? 1200;

/** The vertical page of a bout: time runs down, the ribbon sways right for the client, notes stand in the margin. */
export function RoundSheet({ table, bout, notes, marks = [], atFrame, selectedId, onGo }: RoundSheetProps) {
  const page = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(page);
  const top = 8;
  const inner = Math.max(0, height - 2 * top);
  const yOfSeconds = (seconds: number): number => top + (seconds / table.endSeconds) * inner;
  const secondsAt = (frame: number): number => (frame >= table.times.length ? table.endSeconds : secondsOfFrame(table, frame));
  const yOf = (frame: number): number => yOfSeconds(secondsAt(frame));
  const boutFrom = bout?.fromFrame ?? 0;
  const boutTo = bout?.toFrame ?? table.times.length;
  const boutStart = secondsOfFrame(table, boutFrom);
  const every = inner > 0 ? tickSeconds(table.endSeconds / inner) : 60;
  const ticks = Array.from({ length: Math.floor((table.endSeconds - boutStart) / every) + 1 }, (_, i) => i * every);
  const tops = fanMargin(
    notes.map((n) => ({ id: n.id, anchor: yOf(n.atFrame), height: noteHeight })),
    noteGap,
    height,
  );
  const middle = clockWidth + ribbonWidth / 2;
  const margin = clockWidth + ribbonWidth + 14;

  const goTo = (y: number): void => onGo?.(frameAtSeconds(table, ((y - top) / inner) * table.endSeconds), null);
  return (
    <div ref={page} className="relative h-full min-h-0 w-full" aria-label="Round sheet">
      {height > 0 && (
        <svg
          width={width}
          height={height}
          className={`absolute inset-0 select-none ${onGo ? 'cursor-pointer' : ''}`}
          onPointerDown={(e) => {
            if (!onGo) return;
            e.currentTarget.setPointerCapture(e.pointerId);
            goTo(e.clientY - e.currentTarget.getBoundingClientRect().top);
          }}
          onPointerMove={(e) => e.buttons === 1 && goTo(e.clientY - e.currentTarget.getBoundingClientRect().top)}
        >
          <rect x={clockWidth} y={yOf(boutFrom)} width={ribbonWidth} height={yOf(boutTo) - yOf(boutFrom)} className="fill-linen" />
          {ticks.map((seconds) => (
            <g key={seconds}>
              <line
                x1={clockWidth - 5}
                x2={clockWidth + ribbonWidth}
                y1={yOfSeconds(boutStart + seconds)}
                y2={yOfSeconds(boutStart + seconds)}
                className="stroke-seam"
              />
              <text x={clockWidth - 8} y={yOfSeconds(boutStart + seconds) + 3.5} textAnchor="end" className="time fill-reed text-tiny">
                {clockText(seconds)}
              </text>
            </g>
          ))}
          <line x1={middle} x2={middle} y1={yOf(boutFrom)} y2={yOf(boutTo)} className="stroke-seam" />
          {bout && bout.spans.length > 0 && (
            <g transform={`translate(${clockWidth} ${yOf(boutFrom)})`}>
              <RibbonShape
                path={ribbonPath(bout, ribbonWidth, yOf(boutTo) - yOf(boutFrom), secondsAt)}
                width={ribbonWidth}
                height={yOf(boutTo) - yOf(boutFrom)}
              />
            </g>
          )}
          {marks.map((mark) => (
            <path key={mark.id} d={`M${clockWidth + ribbonWidth} ${yOf(mark.atFrame)}l7 -4v8Z`} className="fill-pine">
              <title>Mark at {clockText(secondsOfFrame(table, mark.atFrame) - boutStart)}</title>
            </path>
          ))}
          {notes.map((note) => (
            <path
              key={note.id}
              d={`M${middle} ${yOf(note.atFrame)}H${clockWidth + ribbonWidth}L${margin} ${(tops.get(note.id) ?? 0) + noteHeight / 2}`}
              fill="none"
              className={note.id === selectedId ? 'stroke-pine' : 'stroke-reed'}
              strokeWidth={note.id === selectedId ? 1.6 : 0.8}
            />
          ))}
          {bout?.spans.map((span) => {
            const from = yOf(span.fromFrame);
            const to = yOf(span.toFrame);
            // The name stands on the side the ribbon leaves free.
            const right = span.holder === 'partner';
            return to - from < leastLabelled ? null : (
              <text
                key={span.fromFrame}
                x={right ? clockWidth + ribbonWidth - 3 : clockWidth + 3}
                y={(from + to) / 2 + 3.5}
                textAnchor={right ? 'end' : 'start'}
                className="fill-ink stroke-linen text-tiny [paint-order:stroke]"
                strokeWidth="3"
              >
                {positionName(span.position)}
              </text>
            );
          })}
          {atFrame !== undefined && (
            <path d={`M${clockWidth - 6} ${yOf(atFrame)}H${clockWidth + ribbonWidth + 6}`} className="stroke-ink" strokeWidth="1.5" />
          )}
        </svg>
      )}
      <ol aria-label="Notes">
        {notes.map((note) => {
          const words = (
            <>
              <span className="mt-0.5">
                <KindGlyph kind={note.kind} />
              </span>
              <span className="line-clamp-2 text-left text-small leading-tight">
                <span className="time mr-1.5 text-reed">{clockText(secondsOfFrame(table, note.atFrame) - boutStart)}</span>
                {note.fix !== undefined && <strong>Fix {note.fix}. </strong>}
                <span className="sr-only">{kindWords[note.kind]}: </span>
                {note.words || 'Nothing written yet'}
              </span>
            </>
          );
          const look = `flex w-full items-start gap-2 overflow-hidden border-l-2 px-2 py-1 ${note.id === selectedId ? 'border-pine bg-linen' : 'border-transparent'}`;
          return (
            <li key={note.id} className="absolute right-0" style={{ top: tops.get(note.id), left: margin, height: noteHeight }}>
              {onGo ? (
                <button className={`${look} h-full hover:bg-linen`} onClick={() => onGo(note.atFrame, note.id)}>
                  {words}
                </button>
              ) : (
                <div className={look}>{words}</div>
              )}
            </li>
          );
        })}
      </ol>
    </div>
  );
}
