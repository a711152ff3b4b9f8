import { useRef, useState } from 'react';
import { drawingsAtFrame, wholePicture, type Drawing } from '@lean-mentor/core/desk';
import type { FrameTable } from '@lean-mentor/core/footage';
import { FlipHorizontal2, Maximize } from 'lucide-react';
import { useSize } from '../../shared/primitives/index.ts';
import type { PlayerState } from '../footage/index.ts';
import type { DrawingChoice } from './drawingChoice.ts';
import { DrawingLayer } from './DrawingLayer.tsx';
import { useStageView } from './useStageView.ts';

interface StageProps {
  /** Address of the review copy; undefined until it is known. */
  source: string | undefined;
  /** Width of the picture over its height. */
  aspect: number;
  /** The picture could not be loaded. */
  onFault: () => void;
  takeVideo: (video: HTMLVideoElement | null) => void;
  table: FrameTable;
  now: PlayerState;
  drawings: readonly Drawing[];
  choice: DrawingChoice;
  onChoice: (choice: DrawingChoice) => void;
  onDrawn: (drawing: Omit<Drawing, 'id' | 'footageId'>) => void;
  /** Space was pressed to drag the picture, not to play. */
  onSpaceDrag: () => void;
}

/** Brightness at which the lift begins and ends. */
const lift = { least: 1, most: 3 };

/** The picture with the drawings on it, as large as the room left of the sheet allows; enlarged, mirrored and lifted as wished. */
export function Stage(props: StageProps) {
  const { source, aspect, onFault, takeVideo, table, now, drawings, choice, onChoice, onDrawn, onSpaceDrag } = props;
  const room = useRef<HTMLDivElement>(null);
  const stage = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(room);
  const { view, setView, handlers } = useStageView(stage, onSpaceDrag);
  const [mirrored, setMirrored] = useState(false);
  const [brightness, setBrightness] = useState(1);
  const pictureWidth = Math.floor(Math.min(width, height * aspect));
  const pictureHeight = Math.floor(pictureWidth / aspect);
  return (
    <div ref={room} className="relative flex aspect-video max-h-[calc(100dvh-300px)] w-full shrink-0 items-center justify-center bg-stage">
      <div
        ref={stage}
        className="relative overflow-hidden"
        style={{ width: pictureWidth, height: pictureHeight }}
        data-stage
        data-frame={now.frame}
        data-settled={now.settled}
        data-zoom={view.zoom}
        {...handlers}
      >
        <div
          className="absolute inset-0 origin-top-left"
          style={{ transform: `scale(${view.zoom}) translate(${-view.x * 100}%, ${-view.y * 100}%)` }}
        >
          <video
            ref={takeVideo}
            src={source}
            onError={onFault}
            preload="auto"
            playsInline
            tabIndex={-1}
            aria-label="Footage"
            className="absolute inset-0 size-full"
            style={{ transform: mirrored ? 'scaleX(-1)' : undefined, filter: brightness > 1 ? `brightness(${brightness})` : undefined }}
          />
          {pictureWidth > 0 && (
            <DrawingLayer
              width={pictureWidth}
              height={pictureHeight}
              mirrored={mirrored}
              sharpness={view.zoom}
              table={table}
              frame={now.frame}
              drawings={drawingsAtFrame(drawings, now.frame)}
              choice={choice}
              onSelect={(selectedId) => onChoice({ ...choice, selectedId })}
              onDrawn={onDrawn}
            />
          )}
        </div>
      </div>
      <div role="group" aria-label="View" className="absolute top-1 right-1 flex items-center gap-1 bg-stage/70 px-1 text-linen">
        {view.zoom > 1 && (
          <button
            type="button"
            title="Show the whole picture"
            onClick={() => setView(wholePicture)}
            className="flex h-8 items-center gap-1 px-1 hover:underline"
          >
            <Maximize size={15} aria-hidden />
            <span className="time">{view.zoom.toFixed(1)}×</span>
          </button>
        )}
        <label className="flex h-8 items-center gap-1 text-small" title="Lift a dark picture">
          <span className="sr-only">Brightness</span>
          <input
            type="range"
            aria-label="Brightness"
            min={lift.least}
            max={lift.most}
            step={0.1}
            value={brightness}
            onChange={(e) => setBrightness(Number(e.target.value))}
            className="w-16 accent-linen"
          />
        </label>
        <button
          type="button"
          title="Mirror the picture"
          aria-label="Mirror the picture"
          aria-pressed={mirrored}
          onClick={() => setMirrored(!mirrored)}
          className="flex size-8 items-center justify-center aria-pressed:bg-linen aria-pressed:text-ink"
        >
          <FlipHorizontal2 size={16} />
        </button>
      </div>
    </div>
  );
}
