import type { SentMoment } from '@lean-mentor/contract';
import { drawingsAtFrame } from '@lean-mentor/core/desk';
import { frameAtSeconds, secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import { useEffect, useRef, useState } from 'react';
import { DrawingOverlay } from './DrawingOverlay.tsx';

interface LoopingClipProps {
  address: string | undefined;
  table: FrameTable | undefined;
  moment: SentMoment;
  width: number;
  height: number;
  speed: number;
  words: string;
}

/** The seconds around a moment, over and over, with its drawing on its own frames. Without sound: every word is on the page. */
export function LoopingClip({ address, table, moment, width, height, speed, words }: LoopingClipProps) {
  const video = useRef<HTMLVideoElement>(null);
  const [frame, setFrame] = useState(-1);
  const [fault, setFault] = useState(false);
  const { clipFromSeconds, clipToSeconds, drawings } = moment;

  useEffect(() => {
    const element = video.current;
    if (!element) return;
    let asked = 0;
    const begin = (): void => {
      element.currentTime = clipFromSeconds;
      element.playbackRate = speed;
      // A browser may not let it begin by itself; the still beneath it stays, and the button plays it.
      element.play().catch(() => undefined);
    };
    const watch = (): void => {
      asked = element.requestVideoFrameCallback((_, { mediaTime }) => {
        if (table) setFrame(frameAtSeconds(table, mediaTime + 0.0005));
        if (mediaTime >= clipToSeconds) element.currentTime = clipFromSeconds;
        watch();
      });
    };
    const again = (): void => begin();
    watch();
    element.addEventListener('ended', again);
    if (element.readyState >= HTMLMediaElement.HAVE_METADATA) begin();
    else element.addEventListener('loadedmetadata', begin, { once: true });
    return () => {
      element.removeEventListener('loadedmetadata', begin);
      element.removeEventListener('ended', again);
      element.cancelVideoFrameCallback(asked);
      // The connection is let go with it: a page has six, and a critique may show more clips.
      element.removeAttribute('src');
      element.load();
    };
  }, [clipFromSeconds, clipToSeconds, speed, table]);

  if (fault)
    return (
      <p role="alert" className="absolute inset-x-0 bottom-0 bg-ink/85 p-3 text-linen">
        The clip does not play here. The still above it shows the moment.
      </p>
    );
  return (
    <>
      <video
        ref={video}
        src={address}
        muted
        playsInline
        preload="auto"
        aria-label={words}
        onError={() => setFault(address !== undefined)}
        className="absolute inset-0 size-full object-contain"
      />
      {table && (
        <DrawingOverlay
          drawings={drawingsAtFrame(drawings, frame)}
          width={width}
          height={height}
          frame={frame}
          secondsAt={(at) => secondsOfFrame(table, at)}
        />
      )}
    </>
  );
}
