import type { FrameTable } from '@lean-mentor/core/footage';
import { useEffect, useMemo, useState } from 'react';
import { DecodedFrames, type DecodedFramesOptions } from './decodedFrames.ts';
import type { FramePlayer } from './framePlayer.ts';

interface Wanted {
  player: FramePlayer | null;
  canvas: HTMLCanvasElement | null;
  address: string | undefined;
  table: FrameTable;
  /** Size of the review copy's picture. */
  width: number;
  height: number;
}

const canDecode = typeof VideoDecoder !== 'undefined';
/** Why a browser shows no frames of its own; null where it does. */
export const noDecoder = canDecode ? null : 'This browser does not decode frames by itself.';

const startWorker = (): Worker => new Worker(new URL('./decodeWorker.ts', import.meta.url), { type: 'module' });
let warm: Worker | null = null;

/** Starts a worker before it is known what it will decode: loading it takes as long as fetching the footage's addresses. */
export function warmDecoder(): void {
  if (canDecode) warm ??= startWorker();
}

/** Decodes a footage in a worker of its own; hands it over in a moment and answers how to let it go. */
export function openDecoded(options: Omit<DecodedFramesOptions, 'port'>, take: (frames: DecodedFrames) => void): () => void {
  const port = warm ?? startWorker();
  warm = null;
  const made = new DecodedFrames({ ...options, address: new URL(options.address, location.href).href, port });
  let gone = false;
  queueMicrotask(() => !gone && take(made));
  return () => {
    gone = true;
    made.close();
  };
}

/** Decodes frames around the stage in a worker and shows them on a canvas. `fault` says why a browser cannot; it then seeks. */
export function useDecodedFrames({ player, canvas, address, table, width, height }: Wanted): {
  frames: DecodedFrames | null;
  fault: string | null;
} {
  const [fault, setFault] = useState(noDecoder);
  const [frames, setFrames] = useState<DecodedFrames | null>(null);
  // A signed address changes with every asking; what is open stays open.
  const path = address?.split('?')[0];
  const latest = useMemo(() => address, [path]); // eslint-disable-line react-hooks/exhaustive-deps

  useEffect(() => {
    if (!latest || !canDecode) return;
    return openDecoded({ address: latest, table, width, height }, (made) => {
      made.whenItFails = (words) => {
        setFault(words);
        setFrames(null);
      };
      setFrames(made);
    });
  }, [latest, table, width, height]);

  useEffect(() => {
    const context = canvas?.getContext('2d', { alpha: false });
    if (!player) return;
    // From one file of a footage to a longer one the picture stays on the canvas: seeking is for where there are none at all.
    if (!frames || !context) return player.takeDecoded(null);
    player.takeDecoded({
      show: (frame) => {
        const picture = frames.picture(frame);
        if (!picture) return false;
        context.drawImage(picture, 0, 0, context.canvas.width, context.canvas.height);
        return true;
      },
      aim: (frame, direction) => frames.aim(frame, direction),
      whenThere: (frame) => frames.whenThere(frame),
    });
  }, [player, frames, canvas]);

  return { frames, fault };
}
