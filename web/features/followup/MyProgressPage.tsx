import type { ClientThread, Training } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { Link } from 'react-router';
import { Fetched } from '../../shared/fetched/index.ts';
import { Empty } from '../../shared/primitives/index.ts';
import { useAccount } from '../access/index.ts';
import { RightMoments } from '../critique/index.ts';
import { useGetClientHistoryQuery, useGetClientProgressQuery } from './api.ts';
import { EyeOverTime } from './EyeOverTime.tsx';
import { YearLine } from './YearLine.tsx';
import { knowingWords, plainPoints, plainState, practiceWords } from './threadWords.ts';

/** A year of one's fixes on one page: what holds, what came back, one's own right moments. Nothing is lost by a pause. */
export function MyProgressPage() {
  const clients = useAccount()?.clients.filter(({ agreed }) => agreed) ?? [];
  return (
    <main className="mx-auto flex max-w-2xl flex-col gap-10 py-6">
      <h1 className="text-banner">My progress</h1>
      {clients.map(({ id, name }) => (
        <OfClient key={id} clientId={id} heading={clients.length > 1 ? name : null} />
      ))}
    </main>
  );
}

function OfClient({ clientId, heading }: { clientId: string; heading: string | null }) {
  const progress = useGetClientProgressQuery(clientId, { refetchOnMountOrArgChange: true });
  const history = useGetClientHistoryQuery(clientId);
  return (
    <section aria-label={heading ?? 'Your fixes'} className="flex flex-col gap-8">
      {heading && <h2 className="text-title">{heading}</h2>}
      <Fetched of={progress} rows={3}>
        {({ threads, breaks }) =>
          threads.length === 0 ? (
            <Empty>Your first critique brings the first thing to follow here.</Empty>
          ) : (
            <>
              <p className="text-desk text-reed">
                Higher is better. Filled: seen in your sparring. Hollow: counted in practice. The two are never mixed.
              </p>
              <ol className="flex flex-col divide-y divide-seam border-y border-seam">
                {threads.map((thread) => (
                  <Thread key={thread.principleId} thread={thread} breaks={breaks} />
                ))}
              </ol>
            </>
          )
        }
      </Fetched>
      <EyeOverTime clientId={clientId} />
      <Fetched of={history} rows={1}>
        {({ critiques }) => <RightMoments critiqueIds={critiques.map(({ id }) => id)} />}
      </Fetched>
    </section>
  );
}

type Breaks = Training['breaks'];

function Thread({ thread, breaks }: { thread: ClientThread; breaks: Breaks }) {
  const { name, cue, closedAt, practice } = thread;
  return (
    <li className="flex flex-col gap-1 py-5" data-thread={thread.state}>
      <h3 className="text-read">{name}</h3>
      {cue && <p className="text-desk text-reed">“{cue}”</p>}
      <p className="font-semibold">{closedAt ? `Done with, since ${format(closedAt, 'd MMMM')}.` : plainState(thread)}</p>
      <YearLine thread={thread} breaks={breaks} />
      <p className="text-desk">{plainPoints(thread)}</p>
      {knowingWords(thread, 'client') && <p className="text-desk">{knowingWords(thread, 'client')}</p>}
      {practice.length > 0 && (
        <p className="text-desk">
          {practiceWords(thread)}{' '}
          <Link className="linked inline-flex min-h-11 items-center" to="/work">
            My work
          </Link>
        </p>
      )}
    </li>
  );
}
