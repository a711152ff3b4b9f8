import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { Fetched } from '../../shared/fetched/index.ts';
import { Empty, FacePlate, inputClass } from '../../shared/primitives/index.ts';
import { useAccount } from '../access/index.ts';
import { useListClientsQuery } from './api.ts';
import { SearchBox } from './SearchBox.tsx';

/** All clients by name, found by typing. */
export function ClientsPage() {
  const fetched = useListClientsQuery(undefined, { refetchOnMountOrArgChange: true });
  const { data } = fetched;
  const isCoach = useAccount()?.role === 'coach';
  const [sought, setSought] = useState('');
  const words = useDeferredValue(sought.trim().toLowerCase());
  const shown = data?.clients.filter(({ name, about }) => `${name} ${about}`.toLowerCase().includes(words));
  return (
    <main className="py-8">
      <div className="mb-6 flex items-baseline justify-between gap-6">
        <h1 className="text-title">Clients</h1>
        {isCoach && (
          <Link to="/people" className="linked ml-auto font-semibold">
            Invite somebody
          </Link>
        )}
        <input
          type="search"
          aria-label="Find a client"
          placeholder="Find by name"
          value={sought}
          onChange={(e) => setSought(e.target.value)}
          className={`${inputClass} max-w-64 py-1`}
        />
      </div>
      <div className="mb-6">
        <SearchBox clientId={null} label="Search all that was said" />
      </div>
      <Fetched of={fetched} rows={8} />
      {shown?.length === 0 && (
        <Empty>{words ? `No client’s name holds “${sought.trim()}”.` : 'No clients yet. Invite the first one.'}</Empty>
      )}
      <ul className="divide-y divide-seam border-y border-seam empty:hidden">
        {shown?.map((client) => (
          <li key={client.id}>
            <Link to={`/clients/${client.id}`} className="grid grid-cols-[44px_13rem_1fr_8rem_9rem] items-center gap-5 py-3 hover:bg-linen">
              <FacePlate name={client.name} level={client.level} />
              <span className="font-semibold">
                {client.name} {client.age !== null && <span className="font-normal text-reed">{client.age}</span>}
              </span>
              <span className="min-w-0">
                <span className="block truncate text-reed">{client.about}</span>
                {client.hurts.length > 0 && (
                  <span className="block border-l-4 border-brick pl-2 text-small">{client.hurts.join(', ')}</span>
                )}
              </span>
              <span className="text-right text-reed">{client.requests === 1 ? '1 request' : `${client.requests} requests`}</span>
              <span className="text-right font-semibold">{client.waiting > 0 && `${client.waiting} waiting`}</span>
            </Link>
          </li>
        ))}
      </ul>
    </main>
  );
}
