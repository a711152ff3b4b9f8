import { useState } from 'react';
import { useParams } from 'react-router';
import { Fetched } from '../../shared/fetched/index.ts';
import { Button, FacePlate } from '../../shared/primitives/index.ts';
import { useAccount } from '../access/index.ts';
import { ClientLimits } from '../care/index.ts';
import { useGetClientHistoryQuery } from '../followup/index.ts';
import { RightsLink } from '../rights/index.ts';
import { ClientNames } from '../scoring/index.ts';
import { WorkGlance } from '../work/index.ts';
import { ClientForm } from './ClientForm.tsx';
import { History } from './History.tsx';
import { QuestionList } from './QuestionList.tsx';
import { ProgressView } from './ProgressView.tsx';
import { SearchBox } from './SearchBox.tsx';

const belts = ['', 'first', 'second', 'third', 'fourth', 'fifth'];

/** One client as the coach sees them: who they are, what hurts, what was agreed, and the history so far. */
export function ClientPage() {
  const { clientId = '' } = useParams();
  const [changing, setChanging] = useState(false);
  const account = useAccount();
  const fetched = useGetClientHistoryQuery(clientId, { refetchOnMountOrArgChange: true });
  const { data } = fetched;
  if (!data) return <Fetched of={fetched} className="py-8" />;
  const { client } = data;
  const critiqueOf = new Map(data.critiques.map(({ requestId, id }) => [requestId, id]));
  return (
    <main className="grid grid-cols-[280px_1fr] gap-14 py-8">
      <aside className="flex flex-col gap-6">
        <div>
          <FacePlate name={client.name} level={client.level} />
          <h1 className="mt-3 text-banner">{client.name}</h1>
          <p className="text-reed">
            {client.age !== null && `${client.age}, `}
            {belts[client.level]} belt
          </p>
        </div>
        {account?.role === 'coach' &&
          (changing ? (
            <ClientForm client={client} onDone={() => setChanging(false)} />
          ) : (
            <Button look="plain" className="self-start" onClick={() => setChanging(true)}>
              Change …
            </Button>
          ))}
        {client.about && <p className="text-read">{client.about}</p>}
        <ClientLimits clientId={client.id} />
        {client.guardianName && (
          <section>
            <h2 className="text-small">Guardian</h2>
            <p>{client.guardianName} sees everything sent and received.</p>
          </section>
        )}
        {client.agreements.length > 0 && (
          <section>
            <h2 className="text-small">Agreed</h2>
            <ul>
              {client.agreements.map((words) => (
                <li key={words}>{words}</li>
              ))}
            </ul>
          </section>
        )}
        {account?.role === 'coach' && <RightsLink clientId={client.id} name={client.name.split(' ')[0]!} />}
      </aside>
      <div className="flex min-w-0 flex-col gap-10">
        <SearchBox clientId={client.id} label={`Search all that was said of ${client.name.split(' ')[0]}`} />
        <WorkGlance clientId={client.id} name={client.name} />
        <ProgressView clientId={client.id} critiqueOf={critiqueOf} mayClose={account?.role === 'coach'} />
        <ClientNames clientId={client.id} />
        <QuestionList questions={data.questions} critiques={data.critiques} />
        <section aria-label="History">
          <h2 className="mb-2 text-read">Requests, newest first</h2>
          <History {...data} reader="coach" />
        </section>
      </div>
    </main>
  );
}
