import type { ShownFootage, ShownMoment } from '@lean-mentor/contract';
import { Pause, Play, Volume2, VolumeX } from 'lucide-react';
import { useRef, useState, type ReactNode } from 'react';
import { Button, kindWords, KindGlyph } from '../../../shared/primitives/index.ts';
import { Still } from './Still.tsx';
import { useOnScreen } from './useOnScreen.ts';

/** What is played over the still. */
export interface Playing<F extends ShownFootage = ShownFootage> {
  moment: ShownMoment;
  footage: F;
  speed: number;
  /** What is seen, in words. */
  words: string;
  /** What is heard, while it is to be heard; null: the clip is silent. */
  heard: string | null;
}

interface MomentFigureProps<F extends ShownFootage> {
  moments: readonly ShownMoment[];
  footages: readonly F[];
  noteId: string;
  show: 'clip' | 'still';
  /** What is heard; without it the clip is silent. */
  heard?: string | null | undefined;
  /** Address of its still. */
  still: string;
  clock: (footage: F, atFrame: number) => ReactNode;
  clip: (playing: Playing<F>) => ReactNode;
}

const slow = 0.5;
const wantsStill = (): boolean => matchMedia('(prefers-reduced-motion: reduce)').matches;

/** A moment: its exact frame with the coach's drawing; while it is on the screen, the seconds around it at half speed, over and over. */
export function MomentFigure<F extends ShownFootage>({ moments, footages, noteId, show, heard, still, clock, clip }: MomentFigureProps<F>) {
  const figure = useRef<HTMLElement>(null);
  const seen = useOnScreen(figure);
  // Null: by itself while it is on the screen.
  const [wanted, setWanted] = useState<boolean | null>(null);
  const [speed, setSpeed] = useState(slow);
  // No page begins to speak by itself.
  const [sounds, setSounds] = useState(false);
  const moment = moments.find(({ note }) => note.id === noteId);
  const footage = footages.find(({ id }) => id === moment?.note.footageId);
  if (!moment || !footage) return null;
  const { note, drawings } = moment;
  if (footage.state === 'removed')
    return (
      <p className="border-y border-seam py-3 text-desk text-reed">
        The footage of this is not kept any more: who is on it asked for that, or its time here was over. What was written stays.
      </p>
    );
  const plays = footage.state === 'ready' && show === 'clip' && (wanted ?? (seen && !wantsStill()));
  const words = `${kindWords[note.kind]}${drawings.length > 0 ? ', with the coach’s drawing' : ''}: ${note.what}`;
  return (
    <figure ref={figure} data-moment={noteId} className="break-inside-avoid print:max-w-[80mm]">
      <div className="relative w-full overflow-hidden bg-stage" style={{ aspectRatio: `${footage.width} / ${footage.height}` }}>
        <Still address={still} words={words} />
        {plays && clip({ moment, footage, speed, words, heard: sounds && heard ? heard : null })}
      </div>
      <figcaption className="flex flex-wrap items-center gap-x-3 gap-y-1 pt-1.5 text-desk text-reed">
        <KindGlyph kind={note.kind} size={12} /> {kindWords[note.kind]}
        {clock(footage, note.fromFrame)}
        {note.seen !== 'clear' && <span>{note.seen === 'likely' ? 'likely, not clearly seen' : 'hidden from the camera'}</span>}
        {show === 'clip' && footage.state === 'ready' && (
          <span className="not-printed ml-auto flex gap-1">
            {heard && (
              <Button
                look="plain"
                className="min-h-11"
                aria-pressed={sounds}
                aria-label={`${sounds ? 'Without sound' : 'With sound'}: ${words}`}
                onClick={() => {
                  setSounds(!sounds);
                  // Voices are understood at their own speed only.
                  setSpeed(sounds ? speed : 1);
                  setWanted(true);
                }}
              >
                {sounds ? <Volume2 size={15} aria-hidden /> : <VolumeX size={15} aria-hidden />} {sounds ? 'Without sound' : 'With sound'}
              </Button>
            )}
            <Button
              look="plain"
              className="min-h-11"
              aria-label={`${plays ? 'Hold still' : 'Play'}: ${words}`}
              onClick={() => setWanted(!plays)}
            >
              {plays ? <Pause size={15} aria-hidden /> : <Play size={15} aria-hidden />} {plays ? 'Hold still' : 'Play'}
            </Button>
            <Button
              look="plain"
              className="min-h-11"
              aria-pressed={speed === 1}
              aria-label={`${speed === 1 ? 'Half speed' : 'Full speed'}: ${words}`}
              onClick={() => setSpeed(speed === 1 ? slow : 1)}
            >
              {speed === 1 ? 'Half speed' : 'Full speed'}
            </Button>
          </span>
        )}
        {heard && <span className="w-full">Heard: {heard}</span>}
      </figcaption>
    </figure>
  );
}
