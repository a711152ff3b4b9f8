import type { Training } from '@lean-mentor/contract';
import { getWorkCalendar } from '@lean-mentor/contract';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { Fetched } from '../../shared/fetched/index.ts';
import { Button, Choice, FaultNote, Field, inputClass } from '../../shared/primitives/index.ts';
import { addressOf, faultWords } from '../../shared/wire/index.ts';
import { CalendarLink } from '../calendar/index.ts';
import { ClientLimits } from '../care/index.ts';
import { useGetClientWorkQuery, useSetTrainingMutation, type WorkAnswer } from './api.ts';
import { Breaks } from './Breaks.tsx';

const weekdays = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

/** When and how a client trains: their work is laid around it. */
export function TrainingPage() {
  const { clientId = '' } = useParams();
  const fetched = useGetClientWorkQuery(clientId, { refetchOnMountOrArgChange: true });
  return (
    <main className="mx-auto flex max-w-xl flex-col gap-8 py-6">
      <header className="flex flex-col gap-1">
        <Link className="linked inline-flex min-h-11 items-center self-start" to="/work">
          My work
        </Link>
        <h1 className="text-title">When and how you train</h1>
      </header>
      <Fetched of={fetched} rows={3}>
        {(answer) => <Form key={JSON.stringify(answer.training)} clientId={clientId} answer={answer} />}
      </Fetched>
      <ClientLimits clientId={clientId} large />
      <section aria-label="Calendar" className="flex flex-col gap-3">
        <CalendarLink large tells="what work there is on which day" />
        <a className="linked inline-flex min-h-11 items-center self-start" href={addressOf(getWorkCalendar, { clientId })} download>
          The days ahead as a file (.ics)
        </a>
      </section>
    </main>
  );
}

/** Where this phone is. */
const hereZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

function Form({ clientId, answer: { training, today } }: { clientId: string; answer: WorkAnswer }) {
  const [draft, setDraft] = useState(training);
  const [save, { isLoading, error, isSuccess }] = useSetTrainingMutation();
  const change = (fields: Partial<Training>): void => setDraft({ ...draft, ...fields });
  const keep = (next: Training): void => void save({ clientId, ...next });
  return (
    <form
      className="flex flex-col gap-6"
      onSubmit={(event) => {
        event.preventDefault();
        keep(draft);
      }}
    >
      <TrainingDays days={draft.days} onChange={(days) => change({ days })} />
      <Choice
        label="You train"
        value={draft.attire ?? undefined}
        options={[
          { value: 'jacket', words: 'with a jacket' },
          { value: 'no-jacket', words: 'without' },
        ]}
        onChange={(attire) => change({ attire })}
      />
      <Field label="What you have to train with" hint="A dummy, a band, a wall, mats at home: drills that need it can be given.">
        {(field) => (
          <input
            {...field}
            value={draft.equipment}
            maxLength={300}
            onChange={({ target }) => change({ equipment: target.value })}
            className={`${inputClass} min-h-12`}
          />
        )}
      </Field>
      <Field label="Time zone" hint="Days begin and end by it.">
        {(field) => (
          <div className="flex gap-2">
            <input
              {...field}
              value={draft.zone}
              onChange={({ target }) => change({ zone: target.value })}
              className={`${inputClass} min-h-12`}
            />
            {draft.zone !== hereZone() && (
              <Button look="plain" large className="shrink-0" onClick={() => change({ zone: hereZone() })}>
                Where I am
              </Button>
            )}
          </div>
        )}
      </Field>
      <label className="flex min-h-12 items-center gap-3">
        <input type="checkbox" checked={draft.remind} onChange={({ target }) => change({ remind: target.checked })} className="size-6" />
        Write to me in the morning of a day with work
      </label>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <div className="flex items-center gap-3">
        <Button type="submit" large busy={isLoading}>
          Keep it so
        </Button>
        {isSuccess && (
          <span role="status" className="text-desk text-reed">
            Kept.
          </span>
        )}
      </div>
      <Breaks
        breaks={draft.breaks}
        today={today}
        onChange={(breaks) => {
          change({ breaks });
          keep({ ...draft, breaks });
        }}
      />
    </form>
  );
}

function TrainingDays({ days, onChange }: { days: readonly number[]; onChange: (days: number[]) => void }) {
  const toggle = (day: number): void =>
    onChange(days.includes(day) ? days.filter((one) => one !== day) : [...days, day].sort((a, b) => a - b));
  return (
    <fieldset>
      <legend className="mb-2 font-semibold">Days on which you train</legend>
      <div className="grid grid-cols-7 gap-1">
        {weekdays.map((words, i) => (
          <button
            key={words}
            type="button"
            aria-pressed={days.includes(i + 1)}
            onClick={() => toggle(i + 1)}
            className={`flex min-h-12 items-center justify-center rounded-sm border text-desk font-semibold ${days.includes(i + 1) ? 'border-pine bg-pine text-linen' : 'border-seam bg-linen'}`}
          >
            {words}
          </button>
        ))}
      </div>
      <p className="mt-1 text-small text-reed">{days.length === 0 ? 'None said: any day will do.' : 'Work falls on these days only.'}</p>
    </fieldset>
  );
}
