import { useRef } from 'react';
import { drawingsAtFrame, type Drawing } from '@lean-mentor/core/desk';
import type { FrameTable } from '@lean-mentor/core/footage';
import { useSize } from '../../shared/primitives/index.ts';
import type { DrawingChoice } from './drawingChoice.ts';
import { DrawingLayer } from './DrawingLayer.tsx';
import type { PlayerState } from '../footage/index.ts';

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
}

/** The picture with the drawings on it, as large as the room left of the sheet allows. */
export function Stage({ source, aspect, onFault, takeVideo, table, now, drawings, choice, onChoice, onDrawn }: StageProps) {
  const room = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(room);
  const pictureWidth = Math.floor(Math.min(width, height * aspect));
  const pictureHeight = Math.floor(pictureWidth / aspect);
  return (
    <div ref={room} className="flex aspect-video max-h-[calc(100dvh-300px)] w-full shrink-0 items-center justify-center bg-stage">
      <div
        className="relative"
        style={{ width: pictureWidth, height: pictureHeight }}
        data-stage
        data-frame={now.frame}
        data-settled={now.settled}
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
        />
        {pictureWidth > 0 && (
          <DrawingLayer
            width={pictureWidth}
            height={pictureHeight}
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
  );
}
