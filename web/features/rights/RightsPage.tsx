import { takeAll } from '@lean-mentor/contract';
import type { ReactNode } from 'react';
import { useParams } from 'react-router';
import { Fetched } from '../../shared/fetched/index.ts';
import { megabytes } from '../../shared/megabytes.ts';
import { addressOf } from '../../shared/wire/index.ts';
import { useAccount } from '../access/index.ts';
import { useGetRightsQuery } from './api.ts';
import { BeForgotten, Forget, Numbers } from './Forgetting.tsx';
import { Trail } from './Trail.tsx';

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <section aria-label={title} className="flex flex-col gap-4">
    <h2 className="border-t border-ink pt-2 text-desk font-semibold">{title}</h2>
    {children}
  </section>
);

/** What is kept of a client, for them, their guardian and the coach: to take along, to see who looked at it, and to have it removed. */
export function RightsPage() {
  const { clientId = '' } = useParams();
  const isCoach = useAccount()?.role === 'coach';
  const fetched = useGetRightsQuery(clientId, { refetchOnMountOrArgChange: true });
  return (
    <Fetched of={fetched} className="max-w-2xl py-8">
      {(rights) => (
        <main className="grid max-w-6xl gap-x-14 gap-y-10 py-8 lg:grid-cols-2">
          <h1 className="text-title lg:col-span-2">What is kept of {rights.name}</h1>
          <Part title="Take it along">
            <p>
              Everything in one file: the records, the videos as they were sent ({megabytes(rights.bytes)}), every critique with its
              pictures and clips. It is made while you load it.
            </p>
            <Numbers kinds={[...rights.goes, ...rights.stays]} />
            <a
              href={addressOf(takeAll, { clientId })}
              download
              className="linked inline-flex min-h-11 items-center self-start font-semibold"
            >
              Take everything along (ZIP)
            </a>
          </Part>
          <div className="flex flex-col gap-10">
            <Part title="Who looked, and who changed something">
              <Trail clientId={clientId} />
            </Part>
            <Part title={isCoach ? 'Remove everything' : 'Have everything removed'}>
              {isCoach ? <Forget clientId={clientId} rights={rights} /> : <BeForgotten clientId={clientId} rights={rights} />}
            </Part>
          </div>
        </main>
      )}
    </Fetched>
  );
}
