import { Link } from 'react-router';
import { useListDoubtsQuery } from './api.ts';

/** So many are named at once. */
const mostNamed = 4;

/** What the score leaves to be answered, by frame. Nothing where there is nothing. */
export function Doubts() {
  const { data } = useListDoubtsQuery(undefined, { pollingInterval: 300_000, refetchOnMountOrArgChange: true });
  if (!data || data.doubts.length === 0) return null;
  const { doubts } = data;
  return (
    <section aria-label="Doubts to answer" className="mb-6">
      <h2 className="mb-1 text-desk">
        {doubts.length === 1 ? 'One doubt about the score to answer' : `${doubts.length} doubts about the score to answer`}
      </h2>
      <ol className="divide-y divide-seam border-y border-seam">
        {doubts.slice(0, mostNamed).map(({ requestId, clientName, footageId, fromFrame, at, words }) => (
          <li key={`${footageId} ${fromFrame} ${at}`} className="flex items-baseline gap-4 py-1.5">
            <span className="w-36 shrink-0 truncate font-semibold">{clientName}</span>
            <Link
              to={`/requests/${requestId}/desk?footage=${footageId}&frame=${fromFrame}&since=${at}`}
              className="linked min-w-0 truncate"
              title={words}
            >
              {words}
            </Link>
          </li>
        ))}
      </ol>
      {doubts.length > mostNamed && (
        <p className="mt-1 text-small text-reed">and {doubts.length - mostNamed} more, once these are answered.</p>
      )}
    </section>
  );
}
