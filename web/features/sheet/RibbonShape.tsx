import { useId } from 'react';
import type { Bout } from '@lean-mentor/contract';
import { leanRibbon, ribbonOutline, type PositionValues } from '@lean-mentor/core/scoring';

/** Outline of a bout's ribbon, `width` × `height` pixels. Without a frame table, time runs as the frames do. */
export const ribbonPath = (
  bout: Bout,
  width: number,
  height: number,
  secondsAt: (frame: number) => number = (frame) => frame / 30,
  values?: PositionValues,
): string => ribbonOutline(leanRibbon(bout.spans, bout.fromFrame, bout.toFrame, secondsAt, values), width, height);

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

/** The ribbon itself: what lies right of the middle is the client's, what lies left the partner's. */
export function RibbonShape({ path, width, height }: { path: string; width: number; height: number }) {
  const id = useId();
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
    </>
  );
}
