import type { Footage, TakeRecording } from '@lean-mentor/contract';
import type { DeskTake, Note } from '@lean-mentor/core/desk';
import { clockText, type FrameTable } from '@lean-mentor/core/footage';
import {
  cutClock,
  draftedCaptions,
  mendingLines,
  pausesToCut,
  putBack,
  stageReader,
  withCut,
  type Take,
  type TakeEvent,
} from '@lean-mentor/core/takes';
import { streamTakeVoice } from '@lean-mentor/contract';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { Button, FaultNote, RowsSkeleton } from '../../../shared/primitives/index.ts';
import { addressOf, faultWords } from '../../../shared/wire/index.ts';
import { FilmBox } from '../../films/index.ts';
import { useGetFrameTableQuery, useViewing, WhileNotReady } from '../../footage/index.ts';
import { TakePlayer, useGetTakeLogQuery, useListTakesQuery, type Playback } from '../../takes/index.ts';
import type { DeskSubject } from '../api.ts';
import { useDeskActions, useDeskPart } from '../useDesk.ts';
import { useOpenedDesk } from '../useOpenedDesk.ts';
import { CutStrip } from './CutStrip.tsx';
import { anewAddress } from './useAskedAnew.ts';
import { WordLines } from './WordLines.tsx';

const lookAgainMs = 2000;

/** Listening to a take and mending it: its words as lines, its pauses, what is cut out, its parts. */
export function TakePage() {
  const { requestId = '', takeId = '' } = useParams();
  const { opened, error, fetched, refetch } = useOpenedDesk(requestId);
  const take = useDeskPart((desk) => (desk.requestId === requestId ? desk.document.takes[takeId] : undefined));
  const { data: recordings } = useListTakesQuery(requestId, { pollingInterval: lookAgainMs });
  const recording = recordings?.find(({ id }) => id === takeId);
  if (error && !fetched)
    return (
      <main className="py-8">
        <FaultNote again={() => void refetch()}>{faultWords(error)}</FaultNote>
      </main>
    );
  const footage = opened?.request.footages.find(({ id }) => id === take?.footageId);
  if (opened && !take)
    return (
      <main className="flex flex-col gap-3 py-8">
        <p>This take is not on the desk any more.</p>
        <Link className="linked" to={`/requests/${requestId}/desk`}>
          Back to the desk
        </Link>
      </main>
    );
  if (opened && footage && footage.state !== 'ready')
    return (
      <main className="py-8">
        <WhileNotReady name={opened.client.name} footages={[footage]} onReady={() => void refetch()} />
      </main>
    );
  if (!opened || !take || !recording || !footage || recording.partSeconds.length === 0)
    return (
      <main className="py-8">
        {recording?.state === 'failed' ? (
          <FaultNote>{recording.failure ?? 'It could not be put together.'}</FaultNote>
        ) : (
          <>
            {recording && <p role="status">It is being put together.</p>}
            <RowsSkeleton rows={4} />
          </>
        )}
      </main>
    );
  return <Mending subject={opened} footage={footage} take={take} recording={recording} />;
}

interface MendingProps {
  subject: DeskSubject;
  footage: Footage;
  take: DeskTake;
  recording: TakeRecording;
}

function Mending({ subject, footage, take, recording }: MendingProps) {
  const at = { requestId: subject.request.id, takeId: take.id };
  const log = useGetTakeLogQuery(at);
  const { data: table } = useGetFrameTableQuery(footage.id);
  const events = log.data?.events as TakeEvent[] | undefined;
  const { cuts, captions, chapters } = take;
  const { seconds } = recording;
  const whole = useMemo<Take | null>(
    () => (events ? { seconds, events, cuts, captions, chapters } : null),
    [events, seconds, cuts, captions, chapters],
  );
  if (log.error) return <FaultNote again={() => void log.refetch()}>{faultWords(log.error)}</FaultNote>;
  if (!whole || !table) return <RowsSkeleton rows={4} />;
  return <MendingPage subject={subject} footage={footage} take={take} recording={recording} whole={whole} table={table} />;
}

function MendingPage({ subject, footage, take, recording, whole, table }: MendingProps & { whole: Take; table: FrameTable }) {
  const { request, client } = subject;
  const { addresses } = useViewing(footage.id);
  const [playback, setPlayback] = useState<Playback | null>(null);
  const [at, setAt] = useState(0);
  const clock = useMemo(() => cutClock(whole), [whole]);
  const size = useMemo(() => ({ width: footage.width ?? 16, height: footage.height ?? 9 }), [footage.width, footage.height]);
  const actions = useDeskActions();
  const mend = (fields: Partial<DeskTake>): void => actions.change('take', take.id, fields);
  const go = (recorded: number): void => playback?.seek(clock.toNew(recorded));
  const cut = (stretch: { from: number; to: number }): void => mend({ cuts: withCut(whole, stretch) });
  const back = (stretch: { from: number; to: number }): void => mend({ cuts: putBack(whole, stretch) });
  return (
    <main className="grid gap-x-8 gap-y-4 py-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <section aria-label="Listen" className="flex flex-col gap-3">
        <p className="text-small">
          <Link className="linked" to={`/requests/${request.id}/desk?footage=${footage.id}`}>
            The desk
          </Link>{' '}
          ·{' '}
          <Link className="linked" to={`/requests/${request.id}/critique`}>
            The critique
          </Link>{' '}
          for {client.name}
        </p>
        <input
          aria-label="What it is about"
          placeholder="What it is about"
          defaultValue={take.title}
          maxLength={120}
          onBlur={(e) => e.target.value !== take.title && mend({ title: e.target.value })}
          className="border-b border-seam bg-transparent font-head text-title font-semibold"
        />
        <TakePlayer
          take={whole}
          table={table}
          key={`${take.denoise} ${recording.state}`}
          voice={addressOf(streamTakeVoice, { requestId: request.id, takeId: take.id, voice: take.denoise ? 'clean' : 'recorded' })}
          startAt={clock.toNew(at)}
          source={addresses?.reviewCopy}
          size={size}
          label={take.title || 'The take'}
          onPlayback={setPlayback}
          onRecorded={setAt}
        />
        <FilmBox of={{ requestId: request.id, takeId: take.id }} size={size} hasWords={take.captions.length > 0} />
      </section>
      <section aria-label="Mend" className="flex flex-col gap-3">
        <CutStrip recording={recording} cuts={take.cuts} at={at} onCut={cut} onBack={back} onGo={go} />
        <MendingButtons {...{ take, whole, recording, table, notes: subject.document.notes, requestId: request.id, at }} mend={mend} />
        <WordLines
          lines={mendingLines(whole, recording.silences)}
          at={at}
          onGo={go}
          onLoop={(stretch) => playback?.loop(stretch)}
          onCut={cut}
          onBack={back}
          onWords={(place, words) =>
            mend({ captions: take.captions.map((one, i) => (i === place ? { ...one, words, origin: 'typed' } : one)) })
          }
          onRemove={(place) => mend({ captions: take.captions.filter((_, i) => i !== place) })}
        />
        {take.captions.length === 0 && (
          <p className="text-reed">
            No words yet. Draft them from the notes that were open while you spoke, or write a line where it plays.
          </p>
        )}
      </section>
    </main>
  );
}

interface ButtonsProps {
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

/** What a note says, as it would be spoken. */
const spokenText = (note: Note | undefined): string =>
  note ? [note.what, ...note.instead.map((one) => [one.when && `When ${one.when},`, one.do].filter(Boolean).join(' '))].join(' ') : '';

function MendingButtons({ requestId, table, take, whole, recording, notes, at, mend }: ButtonsProps) {
  const navigate = useNavigate();
  const { stageAt } = useMemo(() => stageReader(whole, table), [whole, table]);
  const sayAnew = (): void => void navigate(anewAddress(requestId, take.footageId, take.id, at, stageAt(at).frame));
  const actions = useDeskActions();
  const canUndo = useDeskPart(({ done }) => done.length > 0);
  const { silences, seconds } = recording;
  const pauses = pausesToCut(whole, silences).filter((pause) => !isDone(whole, pause));
  const saved = cutClock({ seconds, cuts: take.cuts }).seconds - cutClock({ seconds, cuts: [...take.cuts, ...pauses] }).seconds;
  const drafted = draftedCaptions(whole, silences, (id) => spokenText(notes[id]));
  const next = Math.min(seconds, ...take.captions.filter(({ from }) => from > at).map(({ from }) => from));
  const here = { from: at, to: Math.min(at + lineSeconds, next), words: '…', origin: 'typed' as const };
  const taken = take.captions.some(({ from, to }) => from <= at && at < to) || here.to - here.from < 0.3;
  return (
    <div className="flex flex-wrap items-center gap-2">
      {pauses.length > 0 && saved > 0.05 && (
        <Button look="plain" onClick={() => mend({ cuts: pauses.reduce((cuts, pause) => withCut({ seconds, cuts }, pause), take.cuts) })}>
          Shorten {pauses.length === 1 ? 'the long pause' : `${pauses.length} long pauses`}, {saved.toFixed(1)} s
        </Button>
      )}
      {drafted.length > take.captions.length && (
        <Button look="plain" onClick={() => mend({ captions: drafted })}>
          Draft the words from the notes
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
  );
}

const isDone = (take: Take, pause: { from: number; to: number }): boolean => {
  const { toNew } = cutClock(take);
  return toNew(pause.to) - toNew(pause.from) < 0.01;
};
