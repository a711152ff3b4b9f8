import { Link } from 'react-router';
import { Fetched } from '../../shared/fetched/index.ts';
import { useGetClientWorkQuery } from './api.ts';
import { feltWords, retestWords, stateWords } from './words.ts';

const mostShown = 3;

/** A client's work in short, on their page: given, done, felt, and what the retests say. */
export function WorkGlance({ clientId, name }: { clientId: string; name: string }) {
  const fetched = useGetClientWorkQuery(clientId, { refetchOnMountOrArgChange: true });
  return (
    <section aria-label="Work">
      <h2 className="mb-1 flex items-baseline justify-between text-read">
        Work
        <span className="flex gap-4 text-desk font-normal">
          <Link className="linked" to={`/clients/${clientId}/work`}>
            All of it
          </Link>
          <Link className="linked" to={`/clients/${clientId}/work/give`}>
            Give work
          </Link>
        </span>
      </h2>
      <Fetched of={fetched} rows={2}>
        {({ work, today, pains }) => {
          const open = work.filter(({ state }) => state !== 'ended');
          return (
            <>
              {pains.some(({ settledAt }) => settledAt === null) && (
                <p className="border-l-4 border-brick pl-3">{name.split(' ')[0]} told of pain. Speak with them; it is under “All of it”.</p>
              )}
              <ul className="divide-y divide-seam border-y border-seam">
                {open.slice(0, mostShown).map((one) => {
                  const last = one.done.at(-1);
                  return (
                    <li key={one.id} className="grid grid-cols-[16rem_minmax(0,1fr)] gap-6 py-2">
                      <span>
                        {one.terms.name}
                        <span className="block text-small text-reed">{stateWords(one, today)}</span>
                      </span>
                      <span className="text-small">
                        {one.retests[0] && <span className="block">{retestWords(one.retests[0])}</span>}
                        <span className="text-reed">
                          {last
                            ? `Done ${one.done.length} times${last.felt === null ? '' : `, last felt ${feltWords[last.felt]}`}.`
                            : 'Not done yet.'}
                        </span>
                      </span>
                    </li>
                  );
                })}
                {open.length === 0 && <li className="py-2 text-reed">No work just now.</li>}
              </ul>
            </>
          );
        }}
      </Fetched>
    </section>
  );
}
