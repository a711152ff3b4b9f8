import type { FrameTable } from '@lean-mentor/core/footage';
import { useEffect, useState, type RefObject } from 'react';
import type { DecodedFrames } from './decodedFrames.ts';
import { noDecoder, openDecoded } from './useDecodedFrames.ts';
import { useViewing } from './useViewing.ts';

interface Wanted {
  footageId: string;
  /** Undefined until it is known. */
  table: FrameTable | undefined;
  frame: number;
  /** Which frames will be asked for next. */
  backwards: boolean;
  budgetBytes: number;
  canvas: RefObject<HTMLCanvasElement | null>;
}

/** Shows one frame of a footage on a canvas, decoded beside the stage. Answers why it cannot; null where it can. */
export function useDecodedPicture({ footageId, table, frame, backwards, budgetBytes, canvas }: Wanted): string | null {
  const { addresses } = useViewing(footageId);
  const address = addresses?.reviewCopy;
  const [frames, setFrames] = useState<DecodedFrames | null>(null);
  const [fault, setFault] = useState(noDecoder);
  useEffect(() => {
    if (!table || !address || noDecoder) return;
    return openDecoded({ address, table, width: 1280, height: 720, budgetBytes }, (made) => {
      made.whenItFails = setFault;
      setFrames(made);
    });
  }, [table, address, budgetBytes]);
  useEffect(() => {
    if (!frames) return;
    let away = false;
    frames.aim(frame, backwards ? -1 : 1);
    void frames.whenThere(frame).then(() => {
      const picture = away ? undefined : frames.picture(frame);
      const target = canvas.current;
      if (!picture || !target) return;
      if (target.width !== picture.displayWidth) [target.width, target.height] = [picture.displayWidth, picture.displayHeight];
      target.getContext('2d', { alpha: false })!.drawImage(picture, 0, 0, target.width, target.height);
    });
    return () => {
      away = true;
    };
  }, [frames, frame, backwards, canvas]);
  return fault;
}
