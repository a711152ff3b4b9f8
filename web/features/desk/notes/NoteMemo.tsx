import type { Note } from '@lean-mentor/core/desk';
import { getMemoSound } from '@lean-mentor/contract';
import { Mic, Play, Square, Trash2 } from 'lucide-react';
import { useRef, useState } from 'react';
import { IconButton } from '../../../shared/primitives/index.ts';
import { addressOf } from '../../../shared/wire/index.ts';
import { useScene } from '../DeskScene.ts';
import { useDeskPart } from '../useDesk.ts';
import { useRecorder } from '../memo/useRecorder.ts';
import { keptSound } from '../memo/memoSounds.ts';

/** Words that are spoken instead of written: recorded with the microphone, shown as its loudness, played back here. */
export function NoteMemo({ note }: { note: Note }) {
  const { subject, actions } = useScene();
  const memos = useDeskPart((desk) => desk.document.memos);
  const recorder = useRecorder(subject.request.id, note.id, (memo) => actions.add('memo', { ...memo, noteId: note.id }));
  const memo = Object.values(memos).find(({ noteId }) => noteId === note.id);
  if (recorder.seconds !== null)
    return (
      <button
        type="button"
        onClick={recorder.stop}
        className="inline-flex h-7 items-center gap-1 bg-pine px-2 text-small font-semibold text-linen"
      >
        <Square size={12} aria-hidden /> Stop <span className="time">{recorder.seconds.toFixed(0)} s</span>
      </button>
    );
  if (!memo)
    return (
      <button
        type="button"
        onClick={() => void recorder.start()}
        className="inline-flex h-7 items-center gap-1 px-1 text-small font-semibold text-pine hover:bg-linen"
      >
        <Mic size={14} aria-hidden /> Say it
      </button>
    );
  return (
    <MemoPlayer
      requestId={subject.request.id}
      memoId={memo.id}
      peaks={memo.peaks}
      seconds={memo.seconds}
      onAway={() => actions.remove('memo', memo.id)}
    />
  );
}

interface MemoPlayerProps {
  requestId: string;
  memoId: string;
  peaks: readonly number[];
  seconds: number;
  onAway: () => void;
}

const height = 22;

function MemoPlayer({ requestId, memoId, peaks, seconds, onAway }: MemoPlayerProps) {
  const audio = useRef<HTMLAudioElement | null>(null);
  const [played, setPlayed] = useState<number | null>(null);
  const toggle = async (): Promise<void> => {
    if (audio.current && played !== null) return audio.current.pause();
    const kept = await keptSound(memoId);
    const element = new Audio(kept ? URL.createObjectURL(kept) : addressOf(getMemoSound, { requestId, memoId }));
    audio.current = element;
    element.ontimeupdate = () => setPlayed(element.currentTime / Math.max(0.1, seconds));
    element.onpause = element.onended = () => setPlayed(null);
    setPlayed(0);
    await element.play().catch(() => setPlayed(null));
  };
  const width = Math.max(40, peaks.length);
  return (
    <span className="inline-flex items-center" aria-label="Spoken note">
      <IconButton
        icon={played === null ? Play : Square}
        words={played === null ? `Play what was said, ${seconds.toFixed(0)} s` : 'Stop'}
        onClick={() => void toggle()}
      />
      <svg width={width} height={height} role="img" aria-label="Loudness from start to end">
        {peaks.map((peak, i) => (
          <rect
            key={i}
            x={(i * width) / peaks.length}
            y={(height - Math.max(1.5, peak * height)) / 2}
            width={Math.max(0.8, width / peaks.length - 0.6)}
            height={Math.max(1.5, peak * height)}
            className={played !== null && i / peaks.length < played ? 'fill-pine' : 'fill-reed'}
          />
        ))}
      </svg>
      <IconButton icon={Trash2} words="Take the spoken note away" onClick={onAway} />
    </span>
  );
}
