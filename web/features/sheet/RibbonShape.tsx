import { useId } from 'react';
import type { Bout } from '@lean-mentor/contract';
import { leanRibbon, ribbonOutline, type Athlete, type PositionValues } from '@lean-mentor/core/scoring';

interface Ribbon {
  bout: Bout;
  width: number;
  height: number;
  /** Without a frame table, time runs as the frames do. */
  secondsAt?: (frame: number) => number;
  values: PositionValues;
}
const byFrames = (frame: number): number => frame / 30;

/** Hatches that tell client (right, falling) from partner (left, rising) without colour. */
function RibbonPatterns({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={`${id}-client`} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="5" height="5" className="fill-client" />
        <rect width="1.4" height="5" className="fill-linen" opacity="0.35" />
      </pattern>
      <pattern id={`${id}-partner`} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
        <rect width="5" height="5" className="fill-partner" />
        <rect width="5" height="1.4" className="fill-linen" opacity="0.35" />
      </pattern>
    </defs>
  );
}

/**
 * The ribbon itself: what lies right of the middle is the client's, what lies left the partner's. A notch cuts it at each tap, with a point
 * on the side of who finished.
 */
export function RibbonShape({ bout, width, height, secondsAt = byFrames, values }: Ribbon) {
  const id = useId();
  const { spans, events, fromFrame, toFrame } = bout;
  const path = ribbonOutline(leanRibbon(spans, fromFrame, toFrame, secondsAt, values), width, height);
  const start = secondsAt(fromFrame);
  const length = Math.max(secondsAt(toFrame) - start, 1e-9);
  return (
    <>
      <RibbonPatterns id={id} />
      <clipPath id={`${id}-right`}>
        <rect x={width / 2} y={-2} width={width / 2} height={height + 4} />
      </clipPath>
      <clipPath id={`${id}-left`}>
        <rect x={0} y={-2} width={width / 2} height={height + 4} />
      </clipPath>
      {/* The stroke keeps the ribbon whole where it crosses over almost level. */}
      <g strokeWidth="1.6" strokeLinejoin="round">
        <path d={path} fill={`url(#${id}-client)`} className="stroke-client" clipPath={`url(#${id}-right)`} />
        <path d={path} fill={`url(#${id}-partner)`} className="stroke-partner" clipPath={`url(#${id}-left)`} />
      </g>
      {events.map((event) => {
        if (event.kind !== 'finish') return null;
        const y = ((secondsAt(event.atFrame) - start) / length) * height;
        return (
          <Notch
            key={`${event.atFrame} ${event.athlete}`}
            x={event.athlete === 'client' ? width : 0}
            y={y}
            width={width}
            athlete={event.athlete}
          />
        );
      })}
    </>
  );
}

function Notch({ x, y, width, athlete }: { x: number; y: number; width: number; athlete: Athlete }) {
  const inwards = x === 0 ? 1 : -1;
  return (
    <g data-tap={athlete}>
      <line x1={0} x2={width} y1={y} y2={y} strokeWidth="3" className="stroke-linen" />
      <line x1={0} x2={width} y1={y} y2={y} strokeWidth="1" className="stroke-ink" />
      <path d={`M${x} ${y - 4}L${x + inwards * 7} ${y}L${x} ${y + 4}Z`} className={athlete === 'client' ? 'fill-client' : 'fill-partner'} />
    </g>
  );
}
