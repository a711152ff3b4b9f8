import { comparedFrame, type Compared } from '@lean-mentor/core/desk';
import { useEffect, useRef, type Ref } from 'react';
import { useGetFrameTableQuery } from './api.ts';
import { useDecodedPicture } from './useDecodedPicture.ts';

/** Four of them together stay within the memory of a page. */
const budgetBytes = 60e6;

interface ComparedPictureProps {
  item: Omit<Compared, 'table'> & { footageId: string; mirrored: boolean };
  /** Seconds from the anchor. */
  offset: number;
  /** Its frame table has come. */
  takeTable?: (footageId: string, table: Compared['table']) => void;
  canvasRef?: Ref<HTMLCanvasElement>;
}

/** One footage of a comparison at its anchor frame, or so many seconds on or back; words where it cannot be shown. */
export function ComparedPicture({ item, offset, takeTable, canvasRef }: ComparedPictureProps) {
  const { footageId, mirrored } = item;
  const { data: table, error } = useGetFrameTableQuery(footageId);
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (table) takeTable?.(footageId, table);
  }, [table, takeTable, footageId]);
  const frame = table ? comparedFrame({ ...item, table }, offset) : item.anchorFrame;
  const fault = useDecodedPicture({ footageId, table, frame, backwards: offset < 0, budgetBytes, canvas });
  return (
    <>
      {(fault ?? error) && (
        <p className="absolute max-w-80 bg-linen p-2 text-small text-ink">
          {error ? 'This footage is not there any more.' : `Frames cannot be laid beside each other here. ${fault}`}
        </p>
      )}
      <canvas
        ref={(element) => {
          canvas.current = element;
          if (typeof canvasRef === 'function') canvasRef(element);
        }}
        width={640}
        height={360}
        data-compare-frame={frame}
        className="max-h-full max-w-full object-contain"
        style={{ transform: mirrored ? 'scaleX(-1)' : undefined }}
      />
    </>
  );
}
