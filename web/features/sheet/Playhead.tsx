import { useEffect, useRef } from 'react';
import { clockWidth, ribbonWidth, type SheetLayout } from './sheetLayout.ts';

/** Whatever plays: which frame it is on, and when that changes. */
export interface Watched {
  subscribe: (listener: () => void) => () => void;
  frame: () => number;
  moving: () => boolean;
}

interface PlayheadProps {
  layout: SheetLayout;
  watched: Watched;
  /** Takes the page along, where it follows the play. */
  keepInSight: ((y: number) => void) | null;
}

/** The line of the present frame. It moves without redrawing the page, and takes the page along where it would leave it. */
export function Playhead({ layout, watched, keepInSight }: PlayheadProps) {
  const line = useRef<SVGPathElement>(null);
  useEffect(() => {
    const move = (): void => {
      const y = layout.yOf(watched.frame());
      line.current?.setAttribute('transform', `translate(0 ${y})`);
      if (watched.moving()) keepInSight?.(y);
    };
    move();
    return watched.subscribe(move);
  }, [layout, watched, keepInSight]);
  return (
    <path ref={line} d={`M${clockWidth - 6} 0H${clockWidth + ribbonWidth + 6}`} className="stroke-ink" strokeWidth="1.5" data-playhead />
  );
}
