import { useEffect, useState, type RefObject } from 'react';

/** Whether most of an element is on the screen. */
export function useOnScreen(of: RefObject<HTMLElement | null>): boolean {
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    const element = of.current;
    if (!element) return;
    const watch = new IntersectionObserver(([entry]) => setSeen(entry!.intersectionRatio >= 0.6), { threshold: [0, 0.6, 1] });
    watch.observe(element);
    return () => watch.disconnect();
  }, [of]);
  return seen;
}
