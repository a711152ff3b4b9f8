import type { TakeRecording } from '@lean-mentor/contract';
import { streamTakeVoice } from '@lean-mentor/contract';
import type { Note } from '@lean-mentor/core/desk';
import { soundPeaks } from '@lean-mentor/core/footage';
import { Mic, Play, Square, Trash2 } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { IconButton } from '../../../shared/primitives/index.ts';
import { addressOf } from '../../../shared/wire/index.ts';
import { useListTakesQuery } from '../../takes/index.ts';
import { useControls } from '../DeskControls.tsx';
import { useScene } from '../DeskScene.ts';
import { useDeskPart } from '../useDesk.ts';

const small = 'inline-flex h-7 items-center gap-1 px-1 text-small font-semibold';
/** What is put together is asked after this often, in ms. */
const lookAgainMs = 1500;
const bars = 80;

/** Words that are spoken instead of written: a short take of the note's own, shown as its loudness, heard and mended from here. */
export function SpokenNote({ note }: { note: Note }) {
  const take = useControls('take');
  const takes = useDeskPart((desk) => desk.document.takes);
  const { phase, noteId, takeId } = take.state;
  const said = Object.values(takes).find((one) => one.noteId === note.id);
  if (phase !== 'away' && noteId === note.id && (takeId === null || takeId === said?.id))
    return (
      <button type="button" onClick={take.done} className={`${small} bg-pine px-2 text-linen`}>
        <Square size={12} aria-hidden /> That was it
      </button>
    );
  if (said) return <SaidNote takeId={said.id} />;
  return (
    <button
      type="button"
      disabled={phase !== 'away'}
      onClick={() => take.sayNote(note.id)}
      className={`${small} text-pine hover:bg-linen disabled:opacity-50`}
    >
      <Mic size={14} aria-hidden /> Say it
    </button>
  );
}

const stateWords: Readonly<Record<TakeRecording['state'], string>> = {
  recording: 'on its way',
  waiting: 'being put together',
  ready: '',
  failed: 'could not be put together',
};

function SaidNote({ takeId }: { takeId: string }) {
  const { subject, actions } = useScene();
  const requestId = subject.request.id;
  const { data = [] } = useListTakesQuery(requestId);
  const recording = data.find(({ id }) => id === takeId);
  return (
    <span className="inline-flex items-center gap-1 text-small" aria-label="Spoken note">
      {recording?.state === 'ready' ? (
        <>
          <Listened voice={addressOf(streamTakeVoice, { requestId, takeId, voice: 'recorded' })} {...recording} />
          <Link className="linked" to={`/requests/${requestId}/takes/${takeId}`}>
            Read and mend
          </Link>
        </>
      ) : (
        <NotYet requestId={requestId} recording={recording} />
      )}
      <IconButton icon={Trash2} words="Take the spoken note away" onClick={() => actions.remove('take', takeId)} />
    </span>
  );
}

/** Looks again and again until what was said is there. */
function NotYet({ requestId, recording }: { requestId: string; recording: TakeRecording | undefined }) {
  useListTakesQuery(requestId, { pollingInterval: lookAgainMs });
  return (
    <span role="status" className="text-reed">
      What was said is {stateWords[recording?.state ?? 'recording']}. {recording?.failure}
    </span>
  );
}

const height = 22;

function Listened({ voice, peaks, seconds }: { voice: string; peaks: readonly number[]; seconds: number }) {
  const audio = useRef<HTMLAudioElement | null>(null);
  const [played, setPlayed] = useState<number | null>(null);
  useEffect(() => () => audio.current?.pause(), []);
  const loud = useMemo(() => soundPeaks(peaks, Math.min(bars, peaks.length)), [peaks]);
  const toggle = async (): Promise<void> => {
    if (audio.current && played !== null) return audio.current.pause();
    const element = (audio.current = new Audio(voice));
    element.ontimeupdate = () => setPlayed(element.currentTime / Math.max(0.1, seconds));
    element.onpause = element.onended = () => setPlayed(null);
    setPlayed(0);
    await element.play().catch(() => setPlayed(null));
  };
  const width = Math.max(40, loud.length);
  return (
    <>
      <IconButton
        icon={played === null ? Play : Square}
        words={played === null ? `Play what was said, ${seconds.toFixed(0)} s` : 'Stop'}
        onClick={() => void toggle()}
      />
      <svg width={width} height={height} role="img" aria-label="Loudness from start to end">
        {loud.map((peak, i) => (
          <rect
            key={i}
            x={(i * width) / loud.length}
            y={(height - Math.max(1.5, peak * height)) / 2}
            width={Math.max(0.8, width / loud.length - 0.6)}
            height={Math.max(1.5, peak * height)}
            className={played !== null && i / loud.length < played ? 'fill-pine' : 'fill-reed'}
          />
        ))}
      </svg>
    </>
  );
}
