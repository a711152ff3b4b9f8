import { memo, useEffect, useRef, useState, type ReactNode } from 'react';
import { wholePicture, type StageView } from '@lean-mentor/core/desk';
import { FlipHorizontal2, Maximize } from 'lucide-react';
import { useSize } from '../../shared/primitives/index.ts';
import { useControls } from './DeskControls.tsx';
import { useOnStage, useScene } from './DeskScene.ts';
import { DrawingLayer } from './drawing/DrawingLayer.tsx';
import { LabelInput } from './drawing/LabelInput.tsx';
import { SeenCoach } from './take/SeenCoach.tsx';
import { useStageView } from './useStageView.ts';

interface StageProps {
  /** Address of the review copy; undefined until it is known. */
  source: string | undefined;
  /** The picture could not be loaded. */
  onFault: () => void;
  takeVideo: (video: HTMLVideoElement | null) => void;
  takeCanvas: (canvas: HTMLCanvasElement | null) => void;
  /** Decoded frames are shown; the video element is for playing only. */
  decodes: boolean;
}

/** Brightness at which the lift begins and ends. */
const lift = { least: 1, most: 3 };

/** The picture with the drawings on it, as large as the room left of the sheet allows; enlarged, mirrored and lifted as wished. */
export const Stage = memo(function Stage({ source, onFault, takeVideo, takeCanvas, decodes }: StageProps) {
  const { size, player, sees } = useScene();
  const room = useRef<HTMLDivElement>(null);
  const stage = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(room);
  const { view, setView, handlers } = useStageView(stage, () => player?.toggle());
  const [mirrored, setMirrored] = useState(false);
  const [brightness, setBrightness] = useState(1);
  useEffect(() => sees({ view, mirrored }), [sees, view, mirrored]);
  const aspect = size.width / size.height;
  const pictureWidth = Math.floor(Math.min(width, height * aspect));
  const pictureHeight = Math.floor(pictureWidth / aspect);
  const asSeen = {
    transform: mirrored ? 'scaleX(-1)' : undefined,
    filter: brightness > 1 ? `brightness(${brightness})` : undefined,
  };
  return (
    <div ref={room} className="relative flex size-full items-center justify-center bg-stage">
      <div ref={stage} className="relative overflow-hidden" style={{ width: pictureWidth, height: pictureHeight }} data-stage {...handlers}>
        <StageState zoom={view.zoom} />
        <div
          className="absolute inset-0 origin-top-left"
          style={{ transform: `scale(${view.zoom}) translate(${-view.x * 100}%, ${-view.y * 100}%)` }}
        >
          <video
            ref={takeVideo}
            src={source}
            onError={onFault}
            preload={decodes ? 'metadata' : 'auto'}
            playsInline
            tabIndex={-1}
            aria-label="Footage"
            className="absolute inset-0 size-full"
            style={asSeen}
          />
          <DecodedPicture takeCanvas={takeCanvas} style={asSeen} />
          {pictureWidth > 0 && <DrawingLayer width={pictureWidth} height={pictureHeight} mirrored={mirrored} sharpness={view.zoom} />}
        </div>
        <LabelBeingWritten view={view} mirrored={mirrored} />
        <SeenCoach />
      </div>
      <div role="group" aria-label="View" className="absolute top-1 right-1 flex items-center gap-1 bg-stage/70 px-1 text-chalk">
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
            className="w-16 accent-chalk"
          />
        </label>
        <button
          type="button"
          title="Mirror the picture"
          aria-label="Mirror the picture"
          aria-pressed={mirrored}
          onClick={() => setMirrored(!mirrored)}
          className="flex size-8 items-center justify-center aria-pressed:bg-chalk aria-pressed:text-soot"
        >
          <FlipHorizontal2 size={16} />
        </button>
      </div>
    </div>
  );
});

function LabelBeingWritten({ view, mirrored }: { view: StageView; mirrored: boolean }) {
  const { labelling, draft, step } = useControls('drawing');
  if (!labelling || !draft[0]) return null;
  return <LabelInput at={draft[0]} view={view} mirrored={mirrored} onWritten={(words) => step({ do: 'words', words })} />;
}

/** What is on the stage, for whoever looks from outside (tests, assistive technology). */
function StageState({ zoom }: { zoom: number }): ReactNode {
  const { frames } = useScene();
  const frame = useOnStage((state) => state.frame);
  const settled = useOnStage((state) => state.settled);
  const picture = useOnStage((state) => state.picture);
  return (
    <span
      hidden
      data-stage-state
      data-frame={frame}
      data-settled={settled}
      data-picture={picture}
      data-zoom={zoom}
      data-decoded-bytes={frames?.bytes}
    />
  );
}

/** The canvas that decoded frames are painted on; it lies over the video and is hidden while that plays. */
function DecodedPicture({ takeCanvas, style }: { takeCanvas: (canvas: HTMLCanvasElement | null) => void; style: object }) {
  const { size } = useScene();
  const shown = useOnStage((state) => state.picture === 'decoded');
  return (
    <canvas
      ref={takeCanvas}
      width={size.width}
      height={size.height}
      aria-hidden
      data-decoded
      className="absolute inset-0 size-full"
      style={{ ...style, visibility: shown ? 'visible' : 'hidden' }}
    />
  );
}
