import { clockText } from '@lean-mentor/core/footage';
import { useEffect, useState } from 'react';
import { BoutClockNow } from '../DeskHead.tsx';
import { useControls } from '../DeskControls.tsx';
import { useKeyName } from '../keys/keyMap.ts';
import { LevelQuill } from './LevelQuill.tsx';

const button = 'min-h-8 rounded-sm border border-straw/40 px-3 font-semibold hover:border-straw';

/** Seconds of the take, told four times a second. */
function useSpoken(seconds: () => number): number {
  const [spoken, setSpoken] = useState(seconds);
  useEffect(() => {
    const timer = setInterval(() => setSpoken(seconds()), 250);
    return () => clearInterval(timer);
  }, [seconds]);
  return spoken;
}

/** The line above the desk while a take is spoken: how long, which part, how loud, and whether what is said has arrived. */
export function SpeakingHead() {
  const take = useControls('take');
  const keyName = useKeyName();
  const spoken = useSpoken(take.seconds);
  const { phase, count, chapter, pieces } = take.state;
  return (
    <header className="col-span-2 flex min-w-0 items-center gap-4 bg-ink px-3 text-straw" data-speaking={phase}>
      <LevelQuill level={take.level} />
      {phase === 'counting' ? (
        <p className="font-head text-title" role="status">
          Begins in {count}
        </p>
      ) : (
        <p className="flex min-w-0 items-baseline gap-2 text-read">
          <span className="font-semibold">Speaking</span>
          <span className="time" aria-label="Spoken so far">
            {clockText(spoken)}
          </span>
          {chapter && <span className="truncate">{chapter}</span>}
        </p>
      )}
      <p role="status" className="ml-auto shrink-0 text-small">
        {piecesWords(pieces)}
      </p>
      {phase === 'speaking' && take.order.next && (
        <button type="button" className={`${button} min-w-0 truncate`} onClick={() => take.order.step(1)}>
          Next: {take.order.next.title} <kbd className="time ml-1 font-normal">{keyName('lulls')}</kbd>
        </button>
      )}
      {phase === 'speaking' && (
        <button type="button" className={button} onClick={take.chapter}>
          New chapter <kbd className="time ml-1 font-normal">Shift {keyName('take')}</kbd>
        </button>
      )}
      <button type="button" className={button} onClick={take.press}>
        {phase === 'counting' ? 'Not yet' : 'Pause'} <kbd className="time ml-1 font-normal">{keyName('take')}</kbd>
      </button>
      <BoutClockNow />
      <button type="button" className={button} onClick={take.done}>
        Done
      </button>
    </header>
  );
}

function piecesWords({ waiting, unkept, refused }: { waiting: number; unkept: boolean; refused: boolean }): string {
  if (refused) return 'A part of this could not be taken. Pause, and listen to it before you go on.';
  if (unkept && waiting > 1) return `This browser keeps nothing, and ${waiting} pieces are on their way. Leave this page open.`;
  if (waiting > 3) return 'Kept here; it goes on when Lean Mentor can be reached.';
  return '';
}
