import type { Pause } from '@lean-mentor/contract';
import { addDays, format } from 'date-fns';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button, FaultNote, Field, smallInputClass } from '../../shared/primitives/index.ts';
import { dayAndHour } from '../../shared/time/dayWords.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useEndPauseMutation, usePauseWorkMutation } from './api.ts';

const local = "yyyy-MM-dd'T'HH:mm";
const movedWords = (moved: number): string =>
  moved === 0
    ? 'No promise reaches into it.'
    : `${moved === 1 ? 'One promise moves' : `${moved} promises move`} on; those concerned are told by letter.`;

/** Ill or away: promises move on, and those concerned are told. */
export function Pauses({ pauses, mayPause }: { pauses: readonly Pause[]; mayPause: boolean }) {
  const now = new Date();
  const [endPause, ended] = useEndPauseMutation();
  return (
    <section aria-label="Ill or away" className="flex flex-col gap-4">
      <h2 className="border-t border-ink pt-2 text-desk">Ill or away</h2>
      <ul className="divide-y divide-seam border-y border-seam empty:hidden">
        {pauses.map(({ id, fromAt, untilAt, words }) => (
          <li key={id} className="flex items-center justify-between gap-3 py-2">
            <span>
              {new Date(fromAt) > now && `From ${dayAndHour(fromAt, now)} `}
              <span className="font-semibold">until {dayAndHour(untilAt, now)}</span>
              {words && <span className="block text-reed">{words}</span>}
            </span>
            {mayPause && (
              <Button look="quiet" busy={ended.isLoading} onClick={() => void endPause(id)}>
                {new Date(fromAt) > now ? 'Take it away' : 'I am back'}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {ended.error && <FaultNote>{faultWords(ended.error)}</FaultNote>}
      {mayPause && <PauseForm />}
    </section>
  );
}

function PauseForm() {
  const [pause, { isLoading, error }] = usePauseWorkMutation();
  const [from, setFrom] = useState('');
  const [until, setUntil] = useState(() => format(addDays(new Date(), 2).setHours(9, 0), local));
  const [words, setWords] = useState('');
  const send = async (): Promise<void> => {
    const fromAt = (from ? new Date(from) : new Date()).toISOString();
    const { data } = await pause({ fromAt, untilAt: new Date(until).toISOString(), words });
    if (!data) return;
    toast(movedWords(data.moved));
    setWords('');
  };
  return (
    <form
      aria-label="Pause"
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <Field label="From" hint="Empty: from now on.">
        {(field) => (
          <input {...field} type="datetime-local" value={from} onChange={(e) => setFrom(e.target.value)} className={smallInputClass} />
        )}
      </Field>
      <Field label="Until">
        {(field) => (
          <input
            {...field}
            type="datetime-local"
            required
            value={until}
            onChange={(e) => setUntil(e.target.value)}
            className={smallInputClass}
          />
        )}
      </Field>
      <Field label="What your clients read" hint="May stay empty.">
        {(field) => (
          <textarea
            {...field}
            rows={2}
            maxLength={300}
            value={words}
            onChange={(e) => setWords(e.target.value)}
            className={smallInputClass}
          />
        )}
      </Field>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <Button type="submit" look="plain" busy={isLoading} disabled={!until} className="self-start">
        Pause, and move promises
      </Button>
    </form>
  );
}
