import { useLayoutEffect, useState, type RefObject } from 'react';

/** Size of an element's content box in CSS pixels, kept up to date; zeros before it is laid out. */
export function useSize(element: RefObject<HTMLElement | null>): { width: number; height: number } {
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const observed = element.current;
    if (!observed) return;
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      setSize({ width: Math.floor(width), height: Math.floor(height) });
    });
    observer.observe(observed);
    return () => observer.disconnect();
  }, [element]);
  return size;
}
