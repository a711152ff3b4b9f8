import type { ClientWork } from '@lean-mentor/contract';
import { careSentence } from '@lean-mentor/core/care';
import { format } from 'date-fns';
import { Link } from 'react-router';
import { Empty, FaultNote, RowsSkeleton } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { asOfNow } from './asOfNow.ts';
import { DoneList } from './DoneList.tsx';
import { PainNotes } from './PainNotes.tsx';
import { TodayCard } from './TodayCard.tsx';
import { useMyWork, useWorkOwner } from './useMyWork.ts';
import { useOutbox } from './useOutbox.ts';
import { doingShelf, type Unsent } from './workShelves.ts';
import { RefusedNotes, UnsentNote } from './UnsentNote.tsx';
import { lengthWords, stateWords } from './words.ts';

/** What is to be done on the mat, with a network or without one. */
export function MyWorkPage() {
  const { owner, clients } = useWorkOwner();
  const { outbox, waiting, refused } = useOutbox(owner);
  const doing = doingShelf(owner).read();
  return (
    <main className="mx-auto flex max-w-xl flex-col gap-8 py-6">
      <h1 className="text-banner">My work</h1>
      {doing && (
        <Link
          to={`/work/${doing.clientId}/${doing.workId}`}
          className="flex min-h-14 items-center justify-between gap-3 border-l-4 border-pine bg-linen px-4 font-semibold"
        >
          <span>In the middle of: {doing.terms.name}</span>
          <span className="text-pine">Go on</span>
        </Link>
      )}
      <UnsentNote waiting={waiting} />
      <RefusedNotes outbox={outbox} refused={refused} />
      {clients.map((client) => (
        <OfClient key={client.id} owner={owner} client={client} waiting={waiting} many={clients.length > 1} />
      ))}
      {clients.length === 0 && (
        <FaultNote>Nothing of your work is on this phone yet. Open this page once where there is a network.</FaultNote>
      )}
      <p className="border-t border-seam pt-4 text-desk text-reed">{careSentence}</p>
    </main>
  );
}

interface OfClientProps {
  owner: string;
  client: { id: string; name: string };
  waiting: readonly Unsent[];
  many: boolean;
}

function OfClient({ owner, client, waiting, many }: OfClientProps) {
  const { answer: came, isKept, error, again } = useMyWork(owner, client);
  if (!came) return error ? <FaultNote again={again}>{faultWords(error)}</FaultNote> : <RowsSkeleton rows={2} />;
  const answer = asOfNow(came, waiting, format(new Date(), 'yyyy-MM-dd'));
  const open = answer.work.filter(({ state }) => state !== 'ended');
  const over = answer.work.filter(({ state }) => state === 'ended');
  const isDone = (work: ClientWork): boolean =>
    work.done.some(({ doneOn }) => doneOn === answer.today) ||
    waiting.some((one) => one.workId === work.id && one.body.doneOn === answer.today);
  const due = open.filter((work) => work.dates[0] === answer.today && !isDone(work));
  const rest = open.filter((work) => !due.includes(work));
  return (
    <section aria-label={many ? `Work of ${client.name}` : 'Work'} className="flex flex-col gap-6">
      {many && <h2 className="text-title">{client.name}</h2>}
      {isKept && error !== undefined && (
        <p role="status" className="border-l-2 border-brass pl-3 text-desk">
          No network: this is as it came last. What you enter is kept here and goes out later.
        </p>
      )}
      <PainNotes pains={answer.pains} />
      {open.length === 0 && (
        <Empty>No work just now. When your coach gives you something to do on the mat, it is here, with a timer.</Empty>
      )}
      {due.map((work, i) => (
        <TodayCard key={work.id} clientId={client.id} work={work} owner={owner} first={i === 0} />
      ))}
      {rest.length > 0 && (
        <ul aria-label="Not today" className="divide-y divide-seam border-y border-seam">
          {rest.map((work) => (
            <li key={work.id} className="flex flex-col gap-1 py-3">
              <h3 className="text-read">{work.terms.name}</h3>
              <p className="text-desk text-reed">
                {isDone(work) ? 'Done today. ' : ''}
                {stateWords(work, answer.today)} {lengthWords(work.terms)}
              </p>
              {(work.state === 'going' || work.state === 'missed') && (
                <Link
                  className="linked inline-flex min-h-11 items-center self-start"
                  to={`/work/${client.id}/${work.id}`}
                  aria-label={`Do it now: ${work.terms.name}`}
                >
                  {isDone(work) ? 'Once more today' : 'Do it today instead'}
                </Link>
              )}
            </li>
          ))}
        </ul>
      )}
      <DoneList clientId={client.id} answer={answer} waiting={waiting} />
      {over.length > 0 && (
        <details>
          <summary className="flex min-h-11 cursor-pointer items-center font-semibold">Done with ({over.length})</summary>
          <ul className="divide-y divide-seam border-y border-seam">
            {over.map((work) => (
              <li key={work.id} className="py-3">
                {work.terms.name} <span className="text-desk text-reed">{stateWords(work, answer.today)}</span>
              </li>
            ))}
          </ul>
        </details>
      )}
      <Link className="linked inline-flex min-h-11 items-center self-start" to={`/training/${client.id}`}>
        When and how {many ? client.name : 'you'} {many ? 'trains' : 'train'}, pauses, calendar
      </Link>
    </section>
  );
}
