import type { Footage } from '@lean-mentor/contract';
import { clockText } from '@lean-mentor/core/footage';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useEffect, useState, type PointerEvent, type ReactNode } from 'react';
import { FootageProgressLine, SoFarLine, useCopy, useProgress } from '../../footage/index.ts';
import { fileAddressOf } from '../uploads.ts';
import { SteadyVideo } from './SteadyVideo.tsx';

/** Step of the small buttons, in seconds. */
const nudge = 0.1;

interface ClientVideoProps {
  footage: Footage;
  /** Which moment is shown. */
  seconds: number;
  onSeconds: (seconds: number) => void;
  /** A tap, as shares of the picture's width and height, and the picture. */
  onTap?: (point: { x: number; y: number }, picture: HTMLVideoElement | null) => void;
  /** Laid over the picture, in shares of it. */
  children?: ReactNode;
}

/**
 * A client's own footage to scrub through: the file on this device while it is being sent, the review copy once there is one.
 * A device that cannot show its own file (not every browser plays what a phone records) waits for the review copy.
 */
export function ClientVideo({ footage, seconds, onSeconds, onTap, children }: ClientVideoProps) {
  const [unplayable, setUnplayable] = useState<string | null>(null);
  const source = useSource(footage, unplayable);
  const [length, setLength] = useState(footage.seconds ?? 0);
  const progress = useProgress(footage);

  // A moment that is not there yet is not the picture that is shown: nobody may mean the one by the other.
  const { soFar } = source;
  useEffect(() => {
    if (soFar !== null && seconds >= soFar) onSeconds(Math.max(0, soFar - nudge));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the way to say it is new on every drawing
  }, [soFar, seconds]);

  if (!source.address)
    return (
      <div className="flex aspect-video flex-col justify-center gap-3 bg-stage p-5 text-linen">
        <p>
          {progress.state === 'uploading'
            ? 'This device cannot show the video yet. It can be seen here when it has been sent and made ready; write the colours below meanwhile.'
            : 'The video is being made ready to be seen here.'}
        </p>
        {progress.state !== 'uploading' && (
          <div className="bg-straw p-2 text-ink">
            <FootageProgressLine footage={footage} />
          </div>
        )}
      </div>
    );
  const tap = (event: PointerEvent<HTMLDivElement>): void => {
    const box = event.currentTarget.getBoundingClientRect();
    onTap?.(
      { x: clamp((event.clientX - box.left) / box.width), y: clamp((event.clientY - box.top) / box.height) },
      pictureIn(event.currentTarget),
    );
  };
  const scrub = (to: number): void => onSeconds(Math.min(Math.max(0, to), Math.max(0, length - 0.01)));
  return (
    <div className="flex flex-col gap-2">
      <div className="mx-auto max-h-[52dvh] bg-stage">
        <div className={`relative ${onTap ? 'cursor-crosshair touch-manipulation' : ''}`} onPointerUp={tap} data-picture>
          <SteadyVideo
            address={source.address}
            name={footage.fileName}
            seconds={seconds}
            onLength={setLength}
            onFault={(address) => (source.isLocal ? setUnplayable(address) : source.askAgain())}
          />
          {children}
        </div>
      </div>
      {soFar !== null && <SoFarLine footage={footage} seconds={soFar} />}
      <div className="flex items-center gap-2">
        <button
          type="button"
          aria-label="A little earlier"
          className="flex size-11 items-center justify-center"
          onClick={() => scrub(seconds - nudge)}
        >
          <ChevronLeft size={22} />
        </button>
        <input
          type="range"
          aria-label="Place in the video"
          min={0}
          max={Math.max(length, 0.1)}
          step={0.05}
          value={seconds}
          onChange={(e) => scrub(Number(e.target.value))}
          className="h-11 min-w-0 grow accent-pine"
        />
        <button
          type="button"
          aria-label="A little later"
          className="flex size-11 items-center justify-center"
          onClick={() => scrub(seconds + nudge)}
        >
          <ChevronRight size={22} />
        </button>
        <span className="time w-16 shrink-0 text-right">{clockText(seconds, true)}</span>
      </div>
    </div>
  );
}

/** The video that is shown, not the one that is about to be. */
const pictureIn = (box: HTMLElement) => box.querySelector<HTMLVideoElement>('video:not([aria-hidden])');

const clamp = (share: number): number => Math.min(1, Math.max(0, share));

interface Source {
  address: string | undefined;
  /** The file on this device. */
  isLocal: boolean;
  /** So many seconds of it are there; null where all are. */
  soFar: number | null;
  askAgain: () => void;
}

/** Where the picture comes from: the review copy before the device's own file, and that, where it can be shown, before a part of the copy. */
function useSource(footage: Footage, unplayable: string | null): Source {
  const { copy, askAgain } = useCopy(useProgress(footage));
  const file = fileAddressOf(footage.id);
  if (!copy?.whole && file && file !== unplayable) return { address: file, isLocal: true, soFar: null, askAgain };
  const soFar = copy && !copy.whole ? copy.table.endSeconds : null;
  return { address: copy?.address, isLocal: false, soFar, askAgain };
}

/** A spot on the picture with its word. */
export const Spot = ({ x, y, words, look }: { x: number; y: number; words: string; look: 'client' | 'partner' | 'chalk' }) => (
  <span
    className="pointer-events-none absolute flex -translate-x-1/2 -translate-y-1/2 flex-col items-center"
    style={{ left: `${x * 100}%`, top: `${y * 100}%` }}
  >
    <span
      className={`size-8 rounded-full border-3 shadow-[0_0_0_2px_#0B0D0C] ${look === 'client' ? 'border-[#2FC4CF]' : look === 'partner' ? 'border-dashed border-[#FF8A3D]' : 'border-linen'}`}
    />
    <span className="bg-stage px-1 text-small text-linen">{words}</span>
  </span>
);
