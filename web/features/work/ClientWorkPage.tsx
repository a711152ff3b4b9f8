import type { ClientWork, PainFlag } from '@lean-mentor/contract';
import { partWords } from '@lean-mentor/core/care';
import { format, parseISO } from 'date-fns';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { toast } from 'sonner';
import { Fetched } from '../../shared/fetched/index.ts';
import { Button, Empty, FaultNote, smallInputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useGetClientHistoryQuery } from '../followup/index.ts';
import { useEndWorkMutation, useGetClientWorkQuery, useSeeWorkMutation, useSettlePainMutation, type WorkAnswer } from './api.ts';
import { breakWords, dayWords, feltWords, groupWords, lengthWords, retestWords, startWords, stateWords, withinWords } from './words.ts';
import { RetestDots } from './RetestDots.tsx';

const weekdays = ['', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

/** A client's work as the coach sees it: given, done, felt; what the retests say; pain to speak about. */
export function ClientWorkPage() {
  const { clientId = '' } = useParams();
  const fetched = useGetClientWorkQuery(clientId, { refetchOnMountOrArgChange: true, pollingInterval: 60_000 });
  const { data: history } = useGetClientHistoryQuery(clientId);
  const [see, seeing] = useSeeWorkMutation();
  const { data } = fetched;
  if (!data) return <Fetched of={fetched} className="py-8" />;
  const unseen = data.work.flatMap(({ done }) => done).filter(({ seenAt }) => seenAt === null).length;
  return (
    <main className="flex flex-col gap-8 py-8">
      <header className="flex items-end justify-between gap-6">
        <div>
          <Link className="linked" to={`/clients/${clientId}`}>
            {history?.client.name ?? 'The client'}
          </Link>
          <h1 className="text-banner">Work</h1>
          <TrainingLine answer={data} />
        </div>
        <span className="flex gap-2">
          {unseen > 0 && (
            <Button look="plain" busy={seeing.isLoading} onClick={() => void see(clientId)}>
              {unseen === 1 ? 'One day is new: looked at' : `${unseen} days are new: looked at`}
            </Button>
          )}
          <Link
            to={`/clients/${clientId}/work/give`}
            className="inline-flex min-h-8 items-center rounded-sm border border-pine bg-pine px-3 font-semibold text-linen hover:bg-ink"
          >
            Give work
          </Link>
        </span>
      </header>
      <OpenPains clientId={clientId} pains={data.pains} today={data.today} />
      {data.work.length === 0 && <Empty>No work was given yet. “Give work” proposes some for each of their fixes.</Empty>}
      {data.work.map((work) => (
        <WorkRow key={work.id} clientId={clientId} work={work} today={data.today} />
      ))}
    </main>
  );
}

function TrainingLine({ answer: { training, today } }: { answer: WorkAnswer }) {
  const now = training.breaks.find(({ fromOn, untilOn }) => fromOn <= today && (untilOn === null || today < untilOn));
  return (
    <p className="text-reed">
      {training.days.length === 0 ? 'Trains on any day' : `Trains ${training.days.map((day) => weekdays[day]).join(', ')}`}
      {training.attire && (training.attire === 'jacket' ? ', with a jacket' : ', without a jacket')}
      {training.equipment && `; has ${training.equipment}`}.{now && <strong className="text-ink"> Pauses: {breakWords[now.why]}.</strong>}
    </p>
  );
}

function OpenPains({ clientId, pains, today }: { clientId: string; pains: readonly PainFlag[]; today: string }) {
  const open = pains.filter(({ settledAt }) => settledAt === null);
  if (open.length === 0) return null;
  return (
    <section aria-label="Pain" className="flex flex-col gap-2 border-l-4 border-brick pl-4">
      <h2 className="text-read">Pain to speak about</h2>
      <p className="text-reed">What loads it rests until you have spoken. You do not diagnose: a licensed clinician does.</p>
      {open.map((pain) => (
        <SettlePain key={pain.id} clientId={clientId} pain={pain} today={today} />
      ))}
    </section>
  );
}

function SettlePain({ clientId, pain, today }: { clientId: string; pain: PainFlag; today: string }) {
  const [words, setWords] = useState('');
  const [settle, { isLoading, error }] = useSettlePainMutation();
  return (
    <form
      className="flex flex-col gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        void settle({ clientId, painId: pain.id, words });
      }}
    >
      <p>
        <strong>{partWords(pain)}</strong>, told {dayWords(pain.raisedOn, today)}
        {pain.words && `: “${pain.words}”`}
      </p>
      <span className="flex gap-2">
        <input
          aria-label={`What you agreed about the ${partWords(pain)}`}
          placeholder="What you agreed; they read it in a letter"
          value={words}
          maxLength={300}
          onChange={({ target }) => setWords(target.value)}
          className={smallInputClass}
        />
        <Button type="submit" look="plain" busy={isLoading} disabled={words.trim() === ''} className="shrink-0">
          We have spoken
        </Button>
      </span>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
    </form>
  );
}

function WorkRow({ clientId, work, today }: { clientId: string; work: ClientWork; today: string }) {
  const { terms, principleName, done, retests, state } = work;
  return (
    <article
      aria-label={terms.name}
      className={`grid grid-cols-[20rem_minmax(0,1fr)] gap-10 border-t border-ink pt-4 ${state === 'ended' ? 'text-reed' : ''}`}
    >
      <div className="flex flex-col gap-1">
        <h2 className="text-read">{terms.name}</h2>
        {principleName && <p className="text-small text-reed">For: {principleName}</p>}
        <p>
          {terms.kind === 'round' && `${startWords(terms.test.start, 'client')}; `}
          {lengthWords(terms)}
        </p>
        {terms.cue && <p className="text-small text-reed">“{terms.cue}”</p>}
        <p className={state === 'stopped' || state === 'missed' ? 'text-brick' : ''}>{coachStateWords(work, today)}</p>
        <WorkActs clientId={clientId} work={work} />
      </div>
      <div className="flex min-w-0 flex-col gap-3">
        {retests.map((group) => (
          <div key={`${group.place} ${group.level}`}>
            {retests.length > 1 && <h3 className="text-small text-reed">{groupWords(group)}</h3>}
            <RetestDots retests={group} />
            <p data-verdict={group.trend?.verdict ?? 'first'}>{retestWords(group)}</p>
          </div>
        ))}
        <ol className="divide-y divide-seam border-y border-seam">
          {done.toReversed().map((one) => (
            <li key={one.id} className="grid grid-cols-[7rem_6rem_minmax(0,1fr)] gap-3 py-1.5">
              <span className="time text-small">
                {format(parseISO(one.doneOn), 'EEE d MMM')}
                {one.seenAt === null && <strong className="text-pine"> new</strong>}
              </span>
              <span className="text-small">{one.felt === null ? '' : feltWords[one.felt]}</span>
              <span className="min-w-0 text-small">
                {one.line && `“${one.line}” `}
                {one.pains.length > 0 && <strong className="text-brick">Pain: {one.pains.map(partWords).join(', ')}. </strong>}
                <span className="text-reed">{withinWords(one, false)}</span>
              </span>
            </li>
          ))}
          {done.length === 0 && <li className="py-1.5 text-reed">Not done yet.</li>}
        </ol>
      </div>
    </article>
  );
}

const coachStateWords = (work: ClientWork, today: string): string =>
  work.state === 'stopped'
    ? `Rests: ${work.stoppedBy.map(partWords).join(', ')} hurts.`
    : work.state === 'missed'
      ? 'Was due and has not been done for over a week.'
      : stateWords(work, today);

function WorkActs({ clientId, work }: { clientId: string; work: ClientWork }) {
  const [end, { isLoading }] = useEndWorkMutation();
  const press = async (ended: boolean): Promise<void> => {
    const { error } = await end({ clientId, workId: work.id, ended, words: '' });
    if (error) toast(faultWords(error));
    else if (ended) toast(`Ended: ${work.terms.name}.`, { action: { label: 'Let it go on', onClick: () => void press(false) } });
  };
  return (
    <p className="flex gap-3 pt-1">
      <Link className="linked" to={`/clients/${clientId}/work/${work.id}`} aria-label={`Change ${work.terms.name}`}>
        Change
      </Link>
      <button
        type="button"
        className="linked"
        disabled={isLoading}
        onClick={() => void press(work.endedOn === null)}
        aria-label={`${work.endedOn === null ? 'End' : 'Let go on'}: ${work.terms.name}`}
      >
        {work.endedOn === null ? 'End it' : 'Let it go on'}
      </button>
    </p>
  );
}
