import type { Footage, TakeRecording } from '@lean-mentor/contract';
import type { DeskTake } from '@lean-mentor/core/desk';
import type { FrameTable } from '@lean-mentor/core/footage';
import { cutClock, mendingLines, putBack, withCut, type Take, type TakeEvent } from '@lean-mentor/core/takes';
import { getTakeFile, streamTakeVoice } from '@lean-mentor/contract';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { FaultNote, RowsSkeleton } from '../../../shared/primitives/index.ts';
import { addressOf, faultWords } from '../../../shared/wire/index.ts';
import { FilmBox } from '../../films/index.ts';
import { useGetFrameTableQuery, useViewing, WhileNotReady } from '../../footage/index.ts';
import { TakePlayer, useGetTakeLogQuery, useListTakesQuery, type Playback } from '../../takes/index.ts';
import type { DeskSubject } from '../api.ts';
import { useDeskActions, useDeskPart } from '../useDesk.ts';
import { useOpenedDesk } from '../useOpenedDesk.ts';
import { CutStrip } from './CutStrip.tsx';
import { MendingButtons } from './MendingButtons.tsx';
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
        <a href={addressOf(getTakeFile, { requestId: request.id, takeId: take.id })} download className="linked self-start text-desk">
          Take it out as a file, with its voice
        </a>
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
