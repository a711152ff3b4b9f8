import { Fetched } from '../../shared/fetched/index.ts';
import { Empty } from '../../shared/primitives/index.ts';
import { format } from 'date-fns';
import { Link } from 'react-router';
import { PositionBars, useCloseThreadMutation, useGetClientProgressQuery } from '../followup/index.ts';
import { ThreadLine } from './ThreadLine.tsx';

interface ProgressViewProps {
  clientId: string;
  critiqueOf: ReadonlyMap<string, string>;
  mayClose: boolean;
}

/** The threads of a client's fixes across their requests, and where their time went. */
export function ProgressView({ clientId, critiqueOf, mayClose }: ProgressViewProps) {
  const fetched = useGetClientProgressQuery(clientId, { refetchOnMountOrArgChange: true });
  const [close] = useCloseThreadMutation();
  const { data } = fetched;
  if (!data) return <Fetched of={fetched} rows={3} />;
  const requests = data.positions.map(({ requestId }) => requestId);
  const open = [...data.threads].sort((a, b) => Number(a.closedAt !== null) - Number(b.closedAt !== null));
  return (
    <div className="flex flex-col gap-8">
      <section aria-label="Fixes over time">
        <h2 className="mb-1 text-read">Fixes over time</h2>
        {open.length === 0 ? (
          <Empty>No fix that names a principle of the book was sent yet. From the first one on it is followed here.</Empty>
        ) : (
          <>
            <p className="text-small text-reed">
              Hollow where it was sent as a fix; the shade is the 90 % interval. Only reviewed requests are counted.
            </p>
            <ol>
              {open.map((thread) => (
                <ThreadLine
                  key={thread.principleId}
                  thread={thread}
                  requests={requests}
                  critiqueOf={critiqueOf}
                  onClose={mayClose ? (closed) => void close({ clientId, principleId: thread.principleId, closed }) : null}
                />
              ))}
            </ol>
            <ol className="ml-[17.5rem] flex text-tiny text-reed" aria-hidden>
              {data.positions.map(({ requestId, sentAt }) => (
                <li key={requestId} className="w-[76px] shrink-0 pt-1 text-center">
                  {format(sentAt, 'd MMM yy')}
                </li>
              ))}
            </ol>
          </>
        )}
      </section>
      <section aria-label="Positions over time">
        <h2 className="mb-2 flex items-baseline justify-between text-read">
          Where the time went
          {data.positions.length > 1 && (
            <Link className="linked text-desk font-normal" to={`/clients/${clientId}/compare`}>
              Compare two requests
            </Link>
          )}
        </h2>
        <PositionBars positions={data.positions} />
      </section>
    </div>
  );
}
