import type { ShownMoment } from '@lean-mentor/contract';
import { drawingsAtFrame } from '@lean-mentor/core/desk';
import { frameAtSeconds, secondsOfFrame, timeSlack, type FrameTable } from '@lean-mentor/core/footage';
import { useEffect, useRef, useState } from 'react';
import { DrawingOverlay } from '../../footage/index.ts';

interface LoopingClipProps {
  address: string | undefined;
  /** Seconds of the footage at which this video begins: 0 for the whole of it. */
  beginsAt?: number;
  /** Times of the footage's frames, from `tableFrom` on. */
  table: FrameTable | undefined;
  tableFrom?: number;
  moment: ShownMoment;
  width: number;
  height: number;
  speed: number;
  /** What is seen, in words. */
  words: string;
  /** What is heard, as a caption beside the sound; null: silent. */
  heard: string | null;
}

/** The seconds around a moment, over and over, with its drawing on its own frames; silent, but where the coach wished it to be heard. */
export function LoopingClip(props: LoopingClipProps) {
  const { address, beginsAt = 0, table, tableFrom = 0, moment, width, height, speed, words, heard } = props;
  const video = useRef<HTMLVideoElement>(null);
  const [frame, setFrame] = useState(-1);
  const [fault, setFault] = useState(false);
  const { drawings } = moment;
  const [from, to] = [moment.clipFromSeconds - beginsAt, moment.clipToSeconds - beginsAt];

  useEffect(() => {
    const element = video.current;
    if (!element) return;
    let asked = 0;
    const begin = (): void => {
      element.currentTime = from;
      element.playbackRate = speed;
      // A browser may not let it begin by itself; the still beneath it stays, and the button plays it.
      element.play().catch(() => undefined);
    };
    const watch = (): void => {
      asked = element.requestVideoFrameCallback((_, { mediaTime }) => {
        if (table) setFrame(tableFrom + frameAtSeconds(table, mediaTime + beginsAt + timeSlack));
        if (mediaTime >= to) element.currentTime = from;
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
  }, [from, to, beginsAt, speed, table, tableFrom]);

  useEffect(() => {
    const track = heard === null ? undefined : video.current?.addTextTrack('captions', 'What is heard', 'en');
    if (!track || heard === null) return;
    track.mode = 'showing';
    track.addCue(new VTTCue(from, to, heard));
    return () => {
      track.mode = 'disabled';
    };
  }, [heard, from, to]);

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
        muted={heard === null}
        playsInline
        preload="auto"
        aria-label={`Clip: ${words}`}
        onError={() => setFault(address !== undefined)}
        className="absolute inset-0 size-full object-contain"
      />
      {table && (
        <DrawingOverlay
          drawings={drawingsAtFrame(drawings, frame)}
          width={width}
          height={height}
          frame={frame}
          secondsAt={(at) => secondsOfFrame(table, at - tableFrom)}
        />
      )}
    </>
  );
}
