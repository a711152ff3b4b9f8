import { useState, type PointerEvent } from 'react';
import type { SheetLayout } from './sheetLayout.ts';
import type { SheetWindow } from './useSheetView.ts';

export interface SheetDrag {
  /** What is held, and the frame under the pointer; null when nothing is. */
  held: { id: string; frame: number } | null;
  /** Handlers of the thing to take hold of, which stands at `frame`. */
  grip: (
    id: string,
    frame: number,
  ) => Record<'onPointerDown' | 'onPointerMove' | 'onPointerUp' | 'onPointerCancel', (event: PointerEvent<SVGElement>) => void>;
}

/** Dragging things of the round sheet along its time; `onDrop` is told once, when what was moved is let go. */
export function useSheetDrag(layout: SheetLayout, window: SheetWindow, onDrop: (id: string, frame: number) => void): SheetDrag {
  const [held, setHeld] = useState<{ id: string; from: number; frame: number } | null>(null);
  const moving = (event: PointerEvent<SVGElement>): boolean => {
    if (held) event.stopPropagation();
    return held !== null;
  };
  return {
    held,
    grip: (id, frame) => ({
      onPointerDown: (event) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        setHeld({ id, from: frame, frame });
      },
      onPointerMove: (event) => {
        if (!moving(event)) return;
        const top = event.currentTarget.ownerSVGElement!.getBoundingClientRect().top;
        setHeld({ ...held!, frame: layout.frameAtY(event.clientY - top + window.from) });
      },
      onPointerUp: (event) => {
        if (!moving(event)) return;
        if (held!.frame !== held!.from) onDrop(held!.id, held!.frame);
        setHeld(null);
      },
      onPointerCancel: () => setHeld(null),
    }),
  };
}
