import type { Request } from '@lean-mentor/contract';
import { Link, useParams, useSearchParams } from 'react-router';
import { Fetched } from '../../shared/fetched/index.ts';
import { FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useAccount } from '../access/index.ts';
import { FootageProgressLine, useGetFrameTableQuery } from '../footage/index.ts';
import { useGetRequestQuery } from '../requests/index.ts';
import { BoutsEditor } from './BoutsEditor.tsx';

/** The footage of a request and the bouts in it: what was found is accepted, moved, split, added to, and put in the day's order. */
export function BoutsPage() {
  const { requestId = '' } = useParams();
  const fetched = useGetRequestQuery(requestId, { refetchOnMountOrArgChange: true });
  return (
    <main className="py-5">
      <Fetched of={fetched}>{(data) => <WithFootage request={data} />}</Fetched>
    </main>
  );
}

function WithFootage({ request }: { request: Request }) {
  const [search, setSearch] = useSearchParams();
  const role = useAccount()?.role;
  const present = request.footages.filter(({ state }) => state !== 'removed');
  const footage = present.find(({ id }) => id === search.get('footage')) ?? present.find(({ state }) => state === 'ready') ?? present[0];
  const ready = footage?.state === 'ready';
  const { data: table, error, refetch } = useGetFrameTableQuery(footage?.id ?? '', { skip: !ready });
  const coaching = role === 'coach' || role === 'assistant';
  return (
    <>
      <header className="mb-4 flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h1 className="text-title">{request.clientName}’s footage</h1>
        <Link
          to={coaching ? `/requests/${request.id}/desk${footage ? `?footage=${footage.id}` : ''}` : `/requests/${request.id}`}
          className="linked"
        >
          {coaching ? 'Open on the desk' : 'Back to the request'}
        </Link>
      </header>
      {present.length > 1 && (
        <ul className="mb-4 flex gap-4 overflow-x-auto" aria-label="Videos">
          {present.map(({ id, fileName, state }, i) => (
            <li key={id}>
              <button
                type="button"
                aria-current={id === footage?.id}
                disabled={state !== 'ready'}
                onClick={() => setSearch({ footage: id }, { replace: true })}
                className="min-h-9 max-w-56 truncate border-b-2 border-transparent aria-[current=true]:border-pine aria-[current=true]:font-semibold disabled:opacity-50"
              >
                {i + 1}. {fileName}
              </button>
            </li>
          ))}
        </ul>
      )}
      {!footage && <p>There is no footage here: it was removed.</p>}
      {footage && !ready && <FootageProgressLine footage={footage} />}
      {error && <FaultNote again={() => void refetch()}>{faultWords(error)}</FaultNote>}
      {footage && table && <BoutsEditor key={request.id} request={request} footage={footage} table={table} mayAlign={coaching} />}
    </>
  );
}
