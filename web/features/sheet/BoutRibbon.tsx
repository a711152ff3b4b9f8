import type { Bout } from '@lean-mentor/contract';
import { usePositionValues } from '../scoring/index.ts';
import { RibbonShape } from './RibbonShape.tsx';

/** A bout as a thumbnail in lists: just its ribbon, right for the client, left for the partner. */
export function BoutRibbon({ bout, width, height }: { bout: Bout; width: number; height: number }) {
  const values = usePositionValues();
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label="How control swayed: right is the client, left the partner"
      className="overflow-visible"
    >
      <line x1={width / 2} x2={width / 2} y1={0} y2={height} className="stroke-seam" />
      <RibbonShape bout={bout} width={width} height={height} values={values} />
    </svg>
  );
}
