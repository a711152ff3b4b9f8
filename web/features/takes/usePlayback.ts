import type { FrameTable } from '@lean-mentor/core/footage';
import type { Stage, Take } from '@lean-mentor/core/takes';
import { useEffect, useRef, useState } from 'react';
import { noDecoder, openDecoded, type DecodedFrames } from '../footage/index.ts';
import { followWith, Playback } from './playback.ts';

/** What decoded frames of a take may use, in bytes: on a phone beside everything else. */
const budgetBytes = 180e6;
/** One picture of the screen, in seconds: what is drawn now is seen then. */
const displayInterval = 1 / 60;

interface Wanted {
  take: Take;
  table: FrameTable;
  /** Address of the review copy; undefined while it is not known, null where there is no footage any more. */
  source: string | undefined | null;
  size: { width: number; height: number };
  audio: HTMLMediaElement | null;
  canvas: HTMLCanvasElement | null;
  video: HTMLVideoElement | null;
}

export interface TakePlaying {
  playback: Playback | null;
  stage: Stage | null;
  /** Seconds of what is heard. */
  heard: number;
  recorded: number;
  /** Why the picture is only about right; null where it is exact. */
  fault: string | null;
}

/** Frames of a take's footage, decoded in the order in which it shows them. */
function useTakeFrames({ source, table, size }: Pick<Wanted, 'source' | 'table' | 'size'>): {
  frames: DecodedFrames | null;
  fault: string | null;
} {
  const [frames, setFrames] = useState<DecodedFrames | null>(null);
  const [fault, setFault] = useState(noDecoder);
  const { width, height } = size;
  useEffect(() => {
    if (!source || noDecoder) return;
    return openDecoded({ address: source, table, width, height, budgetBytes }, (made) => {
      made.whenItFails = (words) => {
        setFault(words);
        setFrames(null);
      };
      setFrames(made);
    });
  }, [source, table, width, height]);
  return { frames, fault };
}

/** Paints the picture of a frame; while it is not decoded, the one before stays. Answers whether it is there. */
function paint(canvas: HTMLCanvasElement, frames: DecodedFrames, frame: number): boolean {
  const picture = frames.picture(frame);
  if (!picture) return false;
  if (canvas.dataset['frame'] === String(frame)) return true;
  if (canvas.width !== picture.displayWidth) [canvas.width, canvas.height] = [picture.displayWidth, picture.displayHeight];
  canvas.getContext('2d', { alpha: false })!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  canvas.dataset['frame'] = String(frame);
  return true;
}

/** Where two stages look the same, nothing has to be drawn again. */
const stageKey = ({ frame, view, mirrored, strokes, drawings, note, compare, coach }: Stage): string =>
  [
    ...[frame, view.zoom, view.x, view.y, mirrored, note?.id, note?.words],
    ...strokes.map(({ id, points, reach }) => `${id} ${points.length} ${points.at(-1)?.join(' ')} ${reach?.x} ${reach?.y}`),
    ...drawings.map(({ id }) => id),
    compare && JSON.stringify(compare),
    coach,
  ].join('|');

/** How often the time beside the picture is told, in ms. */
const tellEveryMs = 200;

/** Plays a take on a canvas, its sound leading. */
export function usePlayback({ take, table, source, size, audio, canvas, video }: Wanted): TakePlaying {
  const { frames, fault } = useTakeFrames({ source, table, size });
  const [playback, setPlayback] = useState<Playback | null>(null);
  const [shown, setShown] = useState<{ stage: Stage; heard: number; recorded: number } | null>(null);
  const last = useRef({ key: '', toldAt: 0 });
  useEffect(() => {
    if (!audio) return;
    const made: Playback = new Playback({
      take,
      table,
      sound: audio,
      frames,
      lead: displayInterval,
      show: (stage, recorded) => {
        if (frames && canvas) paint(canvas, frames, stage.frame);
        else if (video) followWith(video, table, stage, !audio.paused);
        const key = stageKey(stage);
        const now = performance.now();
        if (key === last.current.key && now - last.current.toldAt < tellEveryMs) return;
        last.current = { key, toldAt: now };
        setShown({ stage, heard: made.heard, recorded });
      },
    });
    setPlayback(made);
    let asked = requestAnimationFrame(function each(now) {
      asked = requestAnimationFrame(each);
      made.tick(now);
    });
    return () => cancelAnimationFrame(asked);
  }, [take, table, audio, canvas, video, frames]);
  return { playback, stage: shown?.stage ?? null, heard: shown?.heard ?? 0, recorded: shown?.recorded ?? 0, fault };
}
