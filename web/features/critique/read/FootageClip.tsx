import { useGetFrameTableQuery, useViewing } from '../../footage/index.ts';
import { LoopingClip } from './LoopingClip.tsx';
import type { Playing } from './MomentFigure.tsx';

/** The seconds around a moment, out of the review copy of the whole footage. */
export function FootageClip(playing: Playing) {
  const { footage, speed } = playing;
  const { data: table } = useGetFrameTableQuery(footage.id);
  const { addresses } = useViewing(footage.id);
  return (
    <LoopingClip key={speed} {...playing} address={addresses?.reviewCopy} table={table} width={footage.width} height={footage.height} />
  );
}
