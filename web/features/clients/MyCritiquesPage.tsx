import { Fetched } from '../../shared/fetched/index.ts';
import { FaultNote } from '../../shared/primitives/index.ts';
import { PlanLine } from '../plans/index.ts';
import { AgreeAsGuardian, useAccount } from '../access/index.ts';
import { useGetClientHistoryQuery } from '../followup/index.ts';
import { History } from './History.tsx';

/** The client's own page; a guardian's shows each of their minors. */
export function MyCritiquesPage() {
  const clients = useAccount()?.clients ?? [];
  return (
    <main className="mx-auto max-w-2xl py-6">
      <h1 className="mb-5 text-banner">My critiques</h1>
      <AgreeAsGuardian />
      {clients.map(({ id, name }) => (
        <Mine key={id} clientId={id} heading={clients.length > 1 ? name : null} />
      ))}
      {clients.length === 0 && <FaultNote>No client belongs to this sign-in. Ask your coach.</FaultNote>}
    </main>
  );
}

function Mine({ clientId, heading }: { clientId: string; heading: string | null }) {
  const fetched = useGetClientHistoryQuery(clientId, {
    refetchOnMountOrArgChange: true,
    refetchOnFocus: true,
    pollingInterval: 60_000,
    skipPollingIfUnfocused: true,
  });
  return (
    <section aria-label={heading ?? 'History'} className="mb-8">
      {heading && <h2 className="mb-2 text-title">{heading}</h2>}
      <PlanLine clientId={clientId} />
      <Fetched of={fetched} rows={3}>
        {(data) => <History {...data} reader="client" />}
      </Fetched>
    </section>
  );
}
