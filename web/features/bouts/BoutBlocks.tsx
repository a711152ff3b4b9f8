import type { Bout } from '@lean-mentor/contract';
import { clockText } from '@lean-mentor/core/footage';
import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import { BoutRibbon } from '../sheet/index.ts';
import { columns, type TimeLayout } from './timeLayout.ts';

interface BoutBlocksProps {
  layout: TimeLayout;
  bouts: readonly Bout[];
  frameCount: number;
  selectedId: string | null;
  onSelect: (id: string | null) => void;
  onMove: (id: string, fromFrame: number, toFrame: number) => void;
  onGo: (frame: number) => void;
}

type Edge = 'fromFrame' | 'toFrame';
const ribbonWidth = 36;

/** Bouts as blocks beside the time they take; their edges are dragged, or moved by arrow keys frame by frame. */
export function BoutBlocks({ layout, bouts, frameCount, selectedId, onSelect, onMove, onGo }: BoutBlocksProps) {
  const [dragged, setDragged] = useState<{ id: string; edge: Edge; frame: number } | null>(null);
  const sorted = [...bouts].sort((a, b) => a.fromFrame - b.fromFrame);

  /** How far an edge may go: to its own other edge and to the neighbours. */
  const bounded = (index: number, edge: Edge, frame: number): number => {
    const { fromFrame, toFrame } = sorted[index]!;
    return edge === 'fromFrame'
      ? Math.min(toFrame - 1, Math.max(sorted[index - 1]?.toFrame ?? 0, frame))
      : Math.max(fromFrame + 1, Math.min(sorted[index + 1]?.fromFrame ?? frameCount, frame));
  };
  const frameUnder = (event: PointerEvent<HTMLElement>): number => {
    const page = event.currentTarget.closest('[data-time-page]')!.getBoundingClientRect();
    const y = event.clientY - page.top;
    return y >= layout.height - 1 ? frameCount : layout.frameAtY(y);
  };
  const finish = (): void => {
    const bout = dragged && sorted.find(({ id }) => id === dragged.id);
    if (bout) {
      const moved = { ...bout, [dragged.edge]: dragged.frame };
      if (moved[dragged.edge] !== bout[dragged.edge]) onMove(bout.id, moved.fromFrame, moved.toFrame);
    }
    setDragged(null);
  };

  return (
    <ol aria-label="Bouts" className="absolute inset-y-0 right-0" style={{ left: columns.bouts }}>
      {sorted.map((bout, index) => {
        const shown = dragged?.id === bout.id ? { ...bout, [dragged.edge]: dragged.frame } : bout;
        const [top, bottom] = [layout.yOf(shown.fromFrame), layout.yOf(shown.toFrame)];
        const handle = (edge: Edge) => (
          <button
            type="button"
            role="slider"
            aria-orientation="vertical"
            aria-label={`${edge === 'fromFrame' ? 'Start' : 'End'} of bout ${bout.order}`}
            aria-valuemin={0}
            aria-valuemax={frameCount}
            aria-valuenow={shown[edge]}
            className={`absolute inset-x-0 z-10 h-4 cursor-ns-resize touch-none ${edge === 'fromFrame' ? '-top-2' : '-bottom-2'} before:absolute before:inset-x-6 before:top-1/2 before:h-1 before:-translate-y-1/2 before:rounded-full before:bg-pine/0 hover:before:bg-pine focus-visible:before:bg-pine`}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              onSelect(bout.id);
              setDragged({ id: bout.id, edge, frame: bout[edge] });
            }}
            onPointerMove={(event) => {
              if (dragged?.id !== bout.id || dragged.edge !== edge) return;
              const frame = bounded(index, edge, frameUnder(event));
              setDragged({ ...dragged, frame });
              onGo(Math.min(frame, frameCount - 1));
            }}
            onPointerUp={finish}
            onPointerCancel={() => setDragged(null)}
            onKeyDown={(event: KeyboardEvent) => {
              const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
              if (!by) return;
              event.preventDefault();
              const frame = bounded(index, edge, bout[edge] + by * (event.shiftKey ? 10 : 1));
              const moved = { ...bout, [edge]: frame };
              onMove(bout.id, moved.fromFrame, moved.toFrame);
              onGo(Math.min(frame, frameCount - 1));
            }}
          />
        );
        return (
          <li key={bout.id} className="absolute inset-x-0" style={{ top, height: Math.max(3, bottom - top) }} data-bout={bout.id}>
            <button
              type="button"
              onClick={() => (onSelect(bout.id), onGo(bout.fromFrame))}
              className={`flex size-full gap-2 overflow-hidden border-l-4 px-2 text-left ${bout.proposed ? 'border-dashed' : ''} ${bout.id === selectedId ? 'border-pine bg-linen' : 'border-reed bg-linen/60 hover:bg-linen'}`}
            >
              <span className="min-w-0 grow">
                <span className="block font-semibold">
                  {bout.order}. <span className="time">{clockText(secondsBetween(layout, shown))}</span>
                </span>
                <span className="block truncate text-small text-reed">
                  {bout.proposed ? 'Proposed' : bout.outcomeWords || bout.partnerWords}
                </span>
              </span>
              {bout.spans.length > 0 && bottom - top > 40 && (
                <BoutRibbon bout={bout} width={ribbonWidth} height={Math.round(bottom - top)} />
              )}
            </button>
            {handle('fromFrame')}
            {handle('toFrame')}
          </li>
        );
      })}
    </ol>
  );
}

const secondsBetween = (layout: TimeLayout, { fromFrame, toFrame }: Pick<Bout, Edge>): number => {
  const perPixel = 1 / layout.yOfSeconds(1);
  return (layout.yOf(toFrame) - layout.yOf(fromFrame)) * perPixel;
};
