import type { TakeRecording } from '@lean-mentor/contract';
import type { DeskTake, Note } from '@lean-mentor/core/desk';
import { clockText, type FrameTable } from '@lean-mentor/core/footage';
import { cutClock, pausesToCut, stageReader, withCut, type Take } from '@lean-mentor/core/takes';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../../../shared/primitives/index.ts';
import { useDeskActions, useDeskPart } from '../useDesk.ts';
import { anewAddress } from './useAskedAnew.ts';
import { WordsBox } from './WordsBox.tsx';

interface MendingButtonsProps {
  requestId: string;
  table: FrameTable;
  take: DeskTake;
  whole: Take;
  recording: TakeRecording;
  notes: Readonly<Record<string, Note>>;
  at: number;
  mend: (fields: Partial<DeskTake>) => void;
}

/** A line that is written where it plays is so long, in seconds, where nothing else begins before. */
const lineSeconds = 4;

/** What can be done to a take as a whole, and where it plays. */
export function MendingButtons({ requestId, table, take, whole, recording, notes, at, mend }: MendingButtonsProps) {
  const navigate = useNavigate();
  const { stageAt } = useMemo(() => stageReader(whole, table), [whole, table]);
  const sayAnew = (): void => void navigate(anewAddress(requestId, take.footageId, take.id, at, stageAt(at).frame));
  const actions = useDeskActions();
  const canUndo = useDeskPart(({ done }) => done.length > 0);
  const { silences, seconds } = recording;
  const pauses = pausesToCut(whole, silences).filter((pause) => !isDone(whole, pause));
  const saved = cutClock({ seconds, cuts: take.cuts }).seconds - cutClock({ seconds, cuts: [...take.cuts, ...pauses] }).seconds;
  const next = Math.min(seconds, ...take.captions.filter(({ from }) => from > at).map(({ from }) => from));
  const here = { from: at, to: Math.min(at + lineSeconds, next), words: '…', origin: 'typed' as const };
  const taken = take.captions.some(({ from, to }) => from <= at && at < to) || here.to - here.from < 0.3;
  return (
    <>
      <div className="flex flex-wrap items-center gap-2">
        {pauses.length > 0 && saved > 0.05 && (
          <Button look="plain" onClick={() => mend({ cuts: pauses.reduce((cuts, pause) => withCut({ seconds, cuts }, pause), take.cuts) })}>
            Shorten {pauses.length === 1 ? 'the long pause' : `${pauses.length} long pauses`}, {saved.toFixed(1)} s
          </Button>
        )}
        <Button look="plain" disabled={taken} onClick={() => mend({ captions: [...take.captions, here].sort((a, b) => a.from - b.from) })}>
          Write a line at <span className="time">{clockText(at)}</span>
        </Button>
        <Button look="plain" onClick={sayAnew}>
          Say it anew from <span className="time">{clockText(at)}</span>
        </Button>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={take.denoise ?? false}
            onChange={(e) => mend({ denoise: e.target.checked })}
            className="size-4 accent-pine"
          />
          Less noise
        </label>
        <Button look="quiet" disabled={!canUndo} onClick={actions.undo}>
          Take the last back
        </Button>
      </div>
      <WordsBox {...{ requestId, take, whole, recording, notes, mend }} />
    </>
  );
}

const isDone = (take: Take, pause: { from: number; to: number }): boolean => {
  const { toNew } = cutClock(take);
  return toNew(pause.to) - toNew(pause.from) < 0.01;
};
