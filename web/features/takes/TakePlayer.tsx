import { clockText, type FrameTable } from '@lean-mentor/core/footage';
import { captionAt, chapterStretches, comparisonGrid, cutClock, type CoachShape, type Take } from '@lean-mentor/core/takes';
import { Captions, CaptionsOff, Pause, Play, Rewind, StepBack, StepForward } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Button } from '../../shared/primitives/index.ts';
import { coachPlace } from './coachPlace.ts';
import { ComparedStage } from './ComparedStage.tsx';
import { TakeDrawings } from './TakeStage.tsx';
import type { Playback } from './playback.ts';
import { useListened } from './useListened.ts';
import { usePlayback, type TakePlaying } from './usePlayback.ts';

interface TakePlayerProps {
  take: Take;
  table: FrameTable;
  /** Address of the voice. */
  voice: string;
  /** Address of the footage's review copy; undefined while it is not known, null where it was removed. */
  source: string | undefined | null;
  size: { width: number; height: number };
  /** What it is, for who does not see it. */
  label: string;
  /** Where it was left, in seconds of what is heard. */
  startAt?: number;
  /** Hears of what plays it, and now and then how far it has come, in seconds of the recording. */
  onPlayback?: (playback: Playback | null) => void;
  onRecorded?: (recorded: number) => void;
  /** Hears of each frame of the footage that is shown, once it has been played. */
  onFrame?: ((frame: number) => void) | undefined;
  /** Hears of each stretch that was listened to, in seconds of what is heard: when it stops, and now and then before. */
  onStretch?: ((from: number, to: number) => void) | undefined;
}

const speeds = [0.75, 1, 1.25, 1.5] as const;
const backSeconds = 5;

/** A spoken critique: its picture exactly as the coach had it while speaking, its words below, its chapters as a list. */
export function TakePlayer(props: TakePlayerProps) {
  const { take, table, voice, source, size, label, startAt = 0, onPlayback, onRecorded, onFrame, onStretch } = props;
  const [audio, setAudio] = useState<HTMLMediaElement | null>(null);
  const [canvas, setCanvas] = useState<HTMLCanvasElement | null>(null);
  const [video, setVideo] = useState<HTMLVideoElement | null>(null);
  const playing = usePlayback({ take, table, source, size, audio, canvas, video });
  const { playback, stage, recorded, fault } = playing;
  const filmed = useMemo(() => take.events.some((event) => event.kind === 'stage' && event.coach), [take.events]);
  const [withWords, setWithWords] = useState(true);
  useEffect(() => {
    if (playback && startAt > 0) playback.seek(startAt);
    // Only when it is opened.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [playback]);
  useEffect(() => onPlayback?.(playback), [playback, onPlayback]);
  useEffect(() => onRecorded?.(recorded), [recorded, onRecorded]);
  const frame = stage?.frame;
  const wasPlayed = useRef(false);
  useEffect(() => {
    if (audio && !audio.paused) wasPlayed.current = true;
    if (wasPlayed.current && frame !== undefined) onFrame?.(frame);
  }, [audio, frame, onFrame]);
  useListened(audio, playing.heard, onStretch);
  const caption = withWords ? captionAt(take, recorded) : null;
  return (
    <figure className="flex flex-col gap-2" aria-label={label} data-take-player>
      {!filmed && <audio ref={setAudio} src={voice} preload="auto" />}
      <div>
        <div className="relative w-full overflow-hidden bg-stage" style={{ aspectRatio: `${size.width} / ${size.height}` }}>
          {source === null ? (
            <p className="absolute inset-0 flex items-center justify-center p-6 text-center text-chalk">
              The footage of this was removed. What was said about it stays.
            </p>
          ) : (
            <div className="absolute inset-0 origin-top-left" style={stage ? viewStyle(stage.view) : undefined}>
              {fault && source && (
                <video
                  ref={setVideo}
                  src={source}
                  muted
                  playsInline
                  preload="auto"
                  className="absolute inset-0 size-full"
                  style={flip(stage)}
                />
              )}
              <canvas
                ref={setCanvas}
                className="absolute inset-0 size-full"
                style={{ ...flip(stage), visibility: fault ? 'hidden' : 'visible' }}
              />
              {stage && <TakeDrawings stage={stage} table={table} {...size} />}
            </div>
          )}
          {filmed && <Coach shape={stage?.coach ?? null} {...{ setAudio, voice, size }} />}
          {stage?.compare && <ComparedStage compare={stage.compare} grid={comparisonGrid(stage.compare.items.length, size)} />}
          {audio && <BigPlay audio={audio} />}
        </div>
        <p
          className="flex min-h-14 items-center justify-center bg-ink px-3 py-1 text-center text-read text-straw"
          aria-live="off"
          data-caption
        >
          {caption?.words ?? ''}
        </p>
      </div>
      {fault && <p className="text-desk text-reed">On this browser the picture follows the voice about to a tenth of a second. {fault}</p>}
      {audio && playback && <Controls {...{ audio, playing, take, withWords }} onWords={() => setWithWords(!withWords)} />}
    </figure>
  );
}

interface CoachProps {
  shape: CoachShape | null;
  setAudio: (media: HTMLMediaElement | null) => void;
  voice: string;
  size: TakePlayerProps['size'];
}

/** The voice where the coach was filmed with it: one file, so that the two cannot come apart. Parts without a picture show none. */
function Coach({ shape, setAudio, voice, size }: CoachProps) {
  const place = { ...coachPlace(size, shape ?? 'square'), visibility: shape ? 'visible' : 'hidden', zIndex: 1 } as const;
  return <video ref={setAudio} src={voice} preload="auto" playsInline aria-label="The coach" style={place} data-coach={shape ?? ''} />;
}

const viewStyle = ({ zoom, x, y }: { zoom: number; x: number; y: number }) => ({
  transform: `scale(${zoom}) translate(${-x * 100}%, ${-y * 100}%)`,
});
const flip = (stage: TakePlaying['stage']) => (stage?.mirrored ? { transform: 'scaleX(-1)' } : {});

/** Whether a sound is played, as it says itself. */
function usePaused(audio: HTMLMediaElement): boolean {
  const [paused, setPaused] = useState(audio.paused);
  useEffect(() => {
    const look = (): void => setPaused(audio.paused);
    const events = ['play', 'pause', 'ended'] as const;
    for (const event of events) audio.addEventListener(event, look);
    return () => {
      for (const event of events) audio.removeEventListener(event, look);
    };
  }, [audio]);
  return paused;
}

const toggle = (audio: HTMLMediaElement): void => void (audio.paused ? audio.play().catch(() => undefined) : audio.pause());

/** No page begins to speak by itself: the first touch does. */
function BigPlay({ audio }: { audio: HTMLMediaElement }) {
  const paused = usePaused(audio);
  return (
    <button
      type="button"
      className="absolute inset-0 flex items-center justify-center"
      aria-label={paused ? 'Listen, from the picture' : 'Pause, from the picture'}
      onClick={() => toggle(audio)}
    >
      {paused && (
        <span className="flex size-16 items-center justify-center rounded-sm bg-stage/80 text-chalk">
          <Play size={30} aria-hidden />
        </span>
      )}
    </button>
  );
}

interface ControlsProps {
  audio: HTMLMediaElement;
  playing: TakePlaying;
  take: Take;
  withWords: boolean;
  onWords: () => void;
}

function Controls({ audio, playing, take, withWords, onWords }: ControlsProps) {
  const { heard } = playing;
  const playback = playing.playback!;
  const paused = usePaused(audio);
  const [speed, setSpeed] = useState(1);
  const faster = (): void => {
    const next = speeds[(speeds.indexOf(speed as (typeof speeds)[number]) + 1) % speeds.length]!;
    playback.setSpeed(next);
    setSpeed(next);
  };
  const big = 'min-h-11 min-w-11';
  return (
    <div className="not-printed flex flex-col gap-1 text-desk">
      <div className="flex flex-wrap items-center gap-1">
        <Button look="plain" className={big} aria-label={paused ? 'Listen' : 'Pause'} onClick={() => toggle(audio)}>
          {paused ? <Play size={18} aria-hidden /> : <Pause size={18} aria-hidden />}
        </Button>
        <Button look="plain" className={big} onClick={() => playback.seek(heard - backSeconds)}>
          <Rewind size={16} aria-hidden /> {backSeconds} s
        </Button>
        <Button look="plain" className={`${big} time`} aria-label={`Speed ${speed}`} onClick={faster}>
          {speed}×
        </Button>
        {take.captions.length > 0 && (
          <Button look="plain" className={big} aria-pressed={withWords} aria-label="Words under the picture" onClick={onWords}>
            {withWords ? <Captions size={18} aria-hidden /> : <CaptionsOff size={18} aria-hidden />}
          </Button>
        )}
        <span className="time ml-auto" data-heard={heard.toFixed(3)}>
          {clockText(heard)} / {clockText(playback.seconds)}
        </span>
      </div>
      <input
        type="range"
        aria-label="Where it is"
        min={0}
        max={playback.seconds}
        step={0.1}
        value={heard}
        onChange={(e) => playback.seek(Number(e.target.value))}
        className="h-11 w-full"
      />
      {paused && heard > 0 && <StepHere audio={audio} playing={playing} />}
      <Chapters take={take} heard={heard} onGo={(at) => playback.seek(at)} />
    </div>
  );
}

/** Stop here and step: picture by picture on one's own body, then the voice goes on where it was. */
function StepHere({ audio, playing }: { audio: HTMLMediaElement; playing: TakePlaying }) {
  const playback = playing.playback!;
  const [from, setFrom] = useState<number | null>(null);
  const step = (by: 1 | -1): void => {
    setFrom(from ?? playing.heard);
    playback.step(by);
  };
  return (
    <div className="flex flex-wrap items-center gap-1">
      <span className="text-reed">Stopped. Look picture by picture:</span>
      <Button look="plain" className="min-h-11 min-w-11" aria-label="One picture back" onClick={() => step(-1)}>
        <StepBack size={16} aria-hidden />
      </Button>
      <Button look="plain" className="min-h-11 min-w-11" aria-label="One picture on" onClick={() => step(1)}>
        <StepForward size={16} aria-hidden />
      </Button>
      {from !== null && (
        <Button look="plain" className="min-h-11" onClick={() => void audio.play().catch(() => undefined)}>
          Go on listening
        </Button>
      )}
    </div>
  );
}

/** The parts of a take; pressing one goes there. */
function Chapters({ take, heard, onGo }: { take: Take; heard: number; onGo: (heard: number) => void }) {
  const clock = useMemo(() => cutClock(take), [take]);
  const chapters = chapterStretches(take)
    .map(({ title, from, to }) => ({ title, from: clock.toNew(from), to: clock.toNew(to) }))
    .filter(({ from, to }) => to > from);
  if (chapters.length === 0) return null;
  return (
    <ol className="border-t border-seam" aria-label="Parts">
      {chapters.map(({ title, from, to }) => (
        <li key={from} className="border-b border-seam">
          <button
            type="button"
            className="flex min-h-11 w-full items-center gap-3 text-left hover:underline aria-[current=true]:font-semibold"
            aria-current={heard >= from && heard < to}
            onClick={() => onGo(from)}
          >
            <span className="time shrink-0">{clockText(from)}</span> {title}
          </button>
        </li>
      ))}
    </ol>
  );
}
