import { useGetFrameTableQuery, useViewing } from '../../footage/index.ts';
import { LoopingClip } from './LoopingClip.tsx';
import type { Playing } from './MomentFigure.tsx';

/** The seconds around a moment, out of the review copy of the whole footage. */
export function FootageClip({ moment, footage, speed, words }: Playing) {
  const { data: table } = useGetFrameTableQuery(footage.id);
  const { addresses } = useViewing(footage.id);
  return (
    <LoopingClip
      key={speed}
      address={addresses?.reviewCopy}
      table={table}
      moment={moment}
      width={footage.width}
      height={footage.height}
      speed={speed}
      words={`Clip: ${words}`}
    />
  );
}
