import { clockText } from '@lean-mentor/core/footage';
import { useEffect, useRef } from 'react';
import type { DecodedFrames } from '../footage/index.ts';
import { useFrame, useOnStage, useScene } from './DeskScene.ts';
import { useClockAt } from './score/useClockAt.ts';

/** The frame itself and two on either side. */
const offsets = [-2, -1, 0, 1, 2] as const;
const thumbHeight = 40;
/** A frame that is left again within this, in ms, gets no small pictures. */
const restMs = 60;

/** Five neighbours as small pictures: what a moment looked like just before and just after, each a press away. */
export function NeighbourFrames({ frames }: { frames: DecodedFrames }) {
  const { table, size, go } = useScene();
  const clockAt = useClockAt();
  const atFrame = useFrame();
  // While frames rush by, the small pictures would only cost time: they wait.
  const resting = useOnStage((state) => state.playing || state.gliding);
  const width = Math.round(Math.min(72, Math.max(24, (thumbHeight * size.width) / size.height)));
  return (
    <div role="group" aria-label="Neighbour frames" className="flex items-center">
      {offsets.map((offset) => {
        const frame = atFrame + offset;
        const there = frame >= 0 && frame < table.times.length;
        return (
          <button
            key={offset}
            type="button"
            disabled={!there || offset === 0}
            aria-current={offset === 0}
            aria-label={there ? `Frame ${frame}, ${clockText(clockAt(frame), true)}` : 'No frame'}
            onClick={() => go(frame, null)}
            className={`border-2 ${offset === 0 ? 'border-pine' : 'border-transparent hover:border-seam'} ${there ? '' : 'invisible'}`}
          >
            <Thumb frames={frames} frame={frame} resting={resting || !there} width={width} />
          </button>
        );
      })}
    </div>
  );
}

function Thumb({ frames, frame, resting, width }: { frames: DecodedFrames; frame: number; resting: boolean; width: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (resting) return;
    let away = false;
    // The stage goes first: small pictures are drawn when nothing else waits.
    const timer = setTimeout(() => {
      void frames.whenThere(frame).then(() => {
        const picture = away ? undefined : frames.picture(frame);
        const context = picture && canvas.current?.getContext('2d', { alpha: false });
        if (picture && context) context.drawImage(picture, 0, 0, context.canvas.width, context.canvas.height);
      });
    }, restMs);
    return () => {
      away = true;
      clearTimeout(timer);
    };
  }, [frames, frame, resting]);
  return (
    <canvas ref={canvas} width={width * 2} height={thumbHeight * 2} className="block bg-stage" style={{ width, height: thumbHeight }} />
  );
}
