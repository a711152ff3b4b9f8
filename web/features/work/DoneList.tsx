import type { ClientWork, DoneWork } from '@lean-mentor/contract';
import { countedWords, countsOf, type DoneRound, type WorkTerms } from '@lean-mentor/core/work';
import { partWords } from '@lean-mentor/core/care';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { Button, FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useRemoveDoneWorkMutation, useSendRoundMutation, type WorkAnswer } from './api.ts';
import type { Unsent } from './workShelves.ts';
import { dayWords, earlyLateWords, feltWords, groupWords, retestWords, withinWords } from './words.ts';

interface DoneListProps {
  clientId: string;
  answer: WorkAnswer;
  waiting: readonly Unsent[];
}

/** What was done of each work, the last first, and whether it got better. */
export function DoneList({ clientId, answer: { work, today }, waiting }: DoneListProps) {
  const done = work.filter((one) => one.done.length > 0 || waiting.some(({ workId }) => workId === one.id));
  if (done.length === 0) return null;
  return (
    <section aria-label="What you did" className="flex flex-col gap-5">
      <h2 className="text-title">What you did</h2>
      {done.map((one) => (
        <DoneOfWork key={one.id} clientId={clientId} work={one} today={today} unsent={waiting.filter(({ workId }) => workId === one.id)} />
      ))}
    </section>
  );
}

const fewer = 3;

function DoneOfWork({ clientId, work, today, unsent }: { clientId: string; work: ClientWork; today: string; unsent: readonly Unsent[] }) {
  const [all, setAll] = useState(false);
  const sent = work.done.filter(({ id }) => !unsent.some(({ doneWorkId }) => doneWorkId === id)).toReversed();
  return (
    <div className="flex flex-col gap-1">
      <h3 className="text-read">{work.terms.name}</h3>
      {work.retests.map((group) => (
        <p key={`${group.place} ${group.level}`} data-verdict={group.trend?.verdict ?? 'first'}>
          {work.retests.length > 1 && (
            <span className="text-reed">{groupWords(group).replace(/^./, (letter) => letter.toUpperCase())}: </span>
          )}
          {retestWords(group)}
        </p>
      ))}
      <ul className="divide-y divide-seam border-y border-seam text-desk">
        {unsent.map(({ doneWorkId, body }) => (
          <li key={doneWorkId} className="py-2">
            {dayWords(body.doneOn, today)}: {roundsWords(work.terms, body.rounds)} <span className="text-reed">Not sent yet.</span>
          </li>
        ))}
        {(all ? sent : sent.slice(0, fewer)).map((one) => (
          <DoneRow key={one.id} clientId={clientId} work={work} done={one} today={today} isLast={one === sent[0]} all={all} />
        ))}
      </ul>
      {!all && sent.length > fewer && (
        <button type="button" className="linked min-h-11 self-start text-desk" onClick={() => setAll(true)}>
          All {sent.length}
        </button>
      )}
    </div>
  );
}

/** What was counted, round by round: "3 of 8; after the advice 5 of 7". */
function roundsWords(terms: WorkTerms, rounds: readonly DoneRound[]): string {
  if (terms.kind === 'drill') return 'done.';
  if (rounds.length === 0) return 'no round ran.';
  return `${rounds
    .map((round) => {
      const apart = [round.place === 'other' ? 'places changed' : '', round.when === 'after' ? 'after the advice' : '']
        .filter(Boolean)
        .join(', ');
      return `${apart ? `${apart} ` : ''}${countedWords(countsOf(round, terms.test))}`;
    })
    .join('; ')}.`;
}

interface DoneRowProps {
  clientId: string;
  work: ClientWork;
  done: DoneWork;
  today: string;
  /** The last that was sent: what can be said of it is said in full, and it can be taken back at once. */
  isLast: boolean;
  /** All of them are shown. */
  all: boolean;
}

function DoneRow({ clientId, work, done, today, isLast, all }: DoneRowProps) {
  const [remove, { isLoading, error }] = useRemoveDoneWorkMutation();
  const [asks, setAsks] = useState(false);
  const { felt, line, pains, rounds } = done;
  const memory = rounds.some(({ by }) => by === 'memory');
  return (
    <li className="flex flex-col gap-0.5 py-2" data-done={done.id}>
      <p>
        <span className="font-semibold">{dayWords(done.doneOn, today)}</span>: {roundsWords(work.terms, rounds)}
        {memory && ' Counted from memory.'}
        {felt !== null && ` Felt ${feltWords[felt]}.`}
        {line && ` “${line}”`}
      </p>
      {pains.length > 0 && <p className="border-l-4 border-brick pl-2">Pain: {pains.map(partWords).join(', ')}.</p>}
      {[withinWords(done, isLast), earlyLateWords(done)].filter(Boolean).map((words) => (
        <p key={words} className="text-reed">
          {words}
        </p>
      ))}
      {work.terms.kind === 'round' && (isLast || all) && <FootageOfIt clientId={clientId} workId={work.id} done={done} />}
      {asks ? (
        <p className="flex flex-wrap items-center gap-2">
          Take this day back?
          <Button
            look="plain"
            className="min-h-11"
            busy={isLoading}
            onClick={() => void remove({ clientId, workId: work.id, doneWorkId: done.id })}
          >
            Take it back
          </Button>
          <Button look="quiet" className="min-h-11" onClick={() => setAsks(false)}>
            Leave it
          </Button>
        </p>
      ) : isLast || all ? (
        <button
          type="button"
          className="linked min-h-11 self-start text-reed"
          aria-label={`Take back ${dayWords(done.doneOn, today)}: ${work.terms.name}`}
          onClick={() => setAsks(true)}
        >
          Entered by mistake?
        </button>
      ) : null}
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
    </li>
  );
}

/** The way from a round that was done to footage of it: start, sides and counts go along. */
function FootageOfIt({ clientId, workId, done }: { clientId: string; workId: string; done: DoneWork }) {
  const [send, { isLoading, error }] = useSendRoundMutation();
  const navigate = useNavigate();
  const begin = async (): Promise<void> => {
    const { data } = await send({ clientId, workId, doneWorkId: done.id });
    if (data) await navigate(`/send/${data.requestId}`);
  };
  if (done.requestId)
    return (
      <Link className="linked inline-flex min-h-11 items-center self-start" to={`/send/${done.requestId}`}>
        The footage of it
      </Link>
    );
  return (
    <>
      <Button look="plain" large className="self-start" busy={isLoading} onClick={() => void begin()}>
        Send footage of it
      </Button>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
    </>
  );
}
