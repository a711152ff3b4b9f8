import { clockText } from '@lean-mentor/core/footage';
import { memo } from 'react';
import { clockWidth, ribbonWidth, type SheetLayout } from './sheetLayout.ts';
import { useSheetDrag } from './useSheetDrag.ts';
import type { SheetWindow } from './useSheetView.ts';

export interface Life {
  id: string;
  fromFrame: number;
  toFrame: number;
}

interface SheetLivesProps {
  layout: SheetLayout;
  window: SheetWindow;
  drawings: readonly Life[];
  selectedId: string | null;
  /** Absent: lives stay as they are. */
  onMoveLife?: ((id: string, life: Omit<Life, 'id'>) => void) | undefined;
}

const left = clockWidth + ribbonWidth + 2;
/** The selected drawing's ends are this high to take hold of, in pixels. */
const gripHeight = 7;

/** How long drawings live; the ends of the selected one can be dragged. */
export const SheetLives = memo(function SheetLives({ layout, window, drawings, selectedId, onMoveLife }: SheetLivesProps) {
  const clock = (frame: number): string => clockText(layout.secondsAt(frame) - layout.boutStart);
  const dragged = (life: Life, end: string, frame: number): Omit<Life, 'id'> =>
    end === 'from'
      ? { fromFrame: Math.min(frame, life.toFrame - 1), toFrame: life.toFrame }
      : { fromFrame: life.fromFrame, toFrame: Math.max(frame, life.fromFrame + 1) };
  const drag = useSheetDrag(layout, window, (end, frame) => {
    const life = drawings.find(({ id }) => id === selectedId);
    if (life) onMoveLife?.(life.id, dragged(life, end, frame));
  });
  return (
    <>
      {drawings.map((drawing) => {
        const selected = drawing.id === selectedId;
        const life = selected && drag.held ? dragged(drawing, drag.held.id, drag.held.frame) : drawing;
        const [from, to] = [layout.yOf(life.fromFrame), layout.yOf(life.toFrame)];
        if (to < window.from || from > window.to) return null;
        return (
          <g key={drawing.id}>
            <rect
              x={left}
              y={from}
              width={3}
              height={Math.max(2, to - from)}
              className={selected ? 'fill-pine' : 'fill-brass'}
              data-drawing-life
            >
              <title>
                A drawing, {clock(life.fromFrame)} to {clock(life.toFrame)}
              </title>
            </rect>
            {selected &&
              onMoveLife &&
              (['from', 'to'] as const).map((end) => (
                <rect
                  key={end}
                  x={left - 3}
                  y={end === 'from' ? from - gripHeight : to}
                  width={9}
                  height={gripHeight}
                  rx={2}
                  className="cursor-ns-resize fill-pine"
                  data-life-end={end}
                  {...drag.grip(end, end === 'from' ? life.fromFrame : life.toFrame)}
                >
                  <title>{end === 'from' ? 'Drag: the drawing begins here' : 'Drag: the drawing ends here'}</title>
                </rect>
              ))}
          </g>
        );
      })}
    </>
  );
});
