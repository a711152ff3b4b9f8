import { partWords } from '@lean-mentor/core/care';
import { Link } from 'react-router';
import { useGetWorkToSeeQuery } from './api.ts';
import { dayWords, verdictWords } from './words.ts';
import { format } from 'date-fns';

/** On Today: pains to speak about, and work that was done since somebody looked. Nothing where there is nothing. */
export function WorkToSee() {
  const { data } = useGetWorkToSeeQuery(undefined, { pollingInterval: 120_000, refetchOnMountOrArgChange: true });
  if (!data || data.pains.length + data.clients.length === 0) return null;
  const today = format(new Date(), 'yyyy-MM-dd');
  return (
    <section aria-label="Work to look at" className="mb-6">
      <h2 className="mb-1 flex items-baseline justify-between text-desk">
        Work to look at
        <Link className="linked text-small font-normal" to="/week">
          The week
        </Link>
      </h2>
      <ol className="divide-y divide-seam border-y border-seam">
        {data.pains.map((pain) => (
          <li key={pain.id} className="flex items-baseline gap-4 py-1.5">
            <span className="w-36 shrink-0 truncate font-semibold">{pain.clientName}</span>
            <Link to={`/clients/${pain.clientId}/work`} className="linked min-w-0 truncate border-l-4 border-brick pl-2">
              Pain: {partWords(pain)}
              {pain.words && `, “${pain.words}”`} (it rests until you have spoken)
            </Link>
          </li>
        ))}
        {data.clients.map(({ clientId, clientName, times, lastOn, retests }) => (
          <li key={clientId} className="flex items-baseline gap-4 py-1.5">
            <span className="w-36 shrink-0 truncate font-semibold">{clientName}</span>
            <Link to={`/clients/${clientId}/work`} className="linked min-w-0 truncate">
              Did work {times === 1 ? 'once' : `${times} times`}, last {dayWords(lastOn, today)}
              {retests.map(({ name, verdict }) => `; ${name}: ${verdictWords[verdict]}`).join('')}
            </Link>
          </li>
        ))}
      </ol>
    </section>
  );
}
