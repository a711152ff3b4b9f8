import { useEffect, useRef } from 'react';

/** The last so many looks at the loudness, oldest first. */
const many = 40;
const [width, height] = [64, 20];

/** How loud the voice is: a line that is written while one speaks. */
export function LevelQuill({ level }: { level: () => number }) {
  const line = useRef<SVGPolylineElement>(null);
  useEffect(() => {
    const levels = Array<number>(many).fill(0);
    let asked = 0;
    const draw = (): void => {
      levels.push(level());
      levels.shift();
      const points = levels.map(
        (loud, i) => `${(i * width) / (many - 1)},${height / 2 - (i % 2 === 0 ? 1 : -1) * loud * (height / 2 - 1)}`,
      );
      line.current?.setAttribute('points', points.join(' '));
      asked = requestAnimationFrame(draw);
    };
    draw();
    return () => cancelAnimationFrame(asked);
  }, [level]);
  return (
    <svg width={width} height={height} role="img" aria-label="How loud the voice is" data-level>
      <polyline ref={line} fill="none" stroke="currentColor" strokeWidth={1.5} strokeLinejoin="round" />
    </svg>
  );
}
