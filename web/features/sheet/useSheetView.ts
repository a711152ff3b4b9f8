import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { useSize } from '../../shared/primitives/index.ts';

/** The part of the page that is drawn, in pixels from its top: what is seen and as much again on both sides. */
export interface SheetWindow {
  from: number;
  to: number;
}

interface View {
  box: RefObject<HTMLDivElement | null>;
  width: number;
  height: number;
  zoom: number;
  drawn: SheetWindow;
  onScroll: () => void;
  /** Enlarged `factor` times about the middle of the box. */
  zoomBy: (factor: number) => void;
  whole: () => void;
  /** Scrolls the page where this height of it would leave the box. */
  keepInSight: (y: number) => void;
}

const zoomOfWheel = (deltaY: number): number => Math.exp(-deltaY / 300);

/**
 * How much of the page is seen: zoomed from the whole bout to single seconds (at most `mostZoom` times), and scrolled. What is drawn
 * changes only when the scrolling has gone half a box further, so that most pictures of a scroll redraw nothing.
 */
export function useSheetView(mostZoom: number): View {
  const box = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(box);
  const [zoom, setZoom] = useState(1);
  /** How many halves of the box the page is scrolled. */
  const [halves, setHalves] = useState(0);
  /** After a zoom: this share of the page is to stand at that height of the box. */
  const pending = useRef<{ share: number; about: number } | null>(null);
  const half = Math.max(1, height / 2);
  const drawn = useMemo(() => ({ from: (halves - 2) * half, to: (halves + 5) * half }), [halves, half]);

  const zoomAbout = useCallback(
    (factor: number, about: number): void => {
      const element = box.current;
      if (!element) return;
      pending.current = { share: (element.scrollTop + about) / Math.max(1, element.scrollHeight), about };
      setZoom((now) => Math.min(mostZoom, Math.max(1, now * factor)));
    },
    [mostZoom],
  );
  useLayoutEffect(() => {
    const element = box.current;
    if (element && pending.current) element.scrollTop = pending.current.share * element.scrollHeight - pending.current.about;
    pending.current = null;
  }, [zoom]);

  useEffect(() => {
    const element = box.current;
    const wheel = (event: WheelEvent): void => {
      if (!event.ctrlKey) return;
      event.preventDefault();
      zoomAbout(zoomOfWheel(event.deltaY), event.clientY - element!.getBoundingClientRect().top);
    };
    // The browser's own listener would be passive, and enlarge the whole page.
    element?.addEventListener('wheel', wheel, { passive: false });
    return () => element?.removeEventListener('wheel', wheel);
  }, [zoomAbout]);

  const keepInSight = useCallback((y: number): void => {
    const element = box.current;
    if (!element) return;
    const at = y - element.scrollTop;
    if (at < element.clientHeight * 0.1 || at > element.clientHeight * 0.8) element.scrollTop = y - element.clientHeight * 0.35;
  }, []);
  return {
    box,
    width,
    height,
    zoom,
    drawn,
    onScroll: () => setHalves(Math.floor((box.current?.scrollTop ?? 0) / half)),
    zoomBy: (factor) => zoomAbout(factor, height / 2),
    whole: () => setZoom(1),
    keepInSight,
  };
}
