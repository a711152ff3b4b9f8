import { useEffect } from 'react';
import type { Footage } from '@lean-mentor/contract';
import { Link, useParams, useSearchParams } from 'react-router';
import { FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { NoFootageYet, useFootageWatch, useGetFrameTableQuery, useProgress, useViewing, warmDecoder } from '../footage/index.ts';
import type { DeskSubject } from './api.ts';
import { Desk } from './Desk.tsx';
import { warmKeeper } from './deskKeeper.ts';
import { useDeadTakes } from './take/useDeadTakes.ts';
import { useDeskNews } from './useDeskNews.ts';
import { useOpenedDesk } from './useOpenedDesk.ts';

/** The desk of one request: fetched whole, then edited here and saved as it happens. */
export function DeskPage() {
  const { requestId = '' } = useParams();
  useFootageWatch();
  useDeadTakes();
  useEffect(() => {
    warmDecoder();
    warmKeeper();
  }, []);
  const { opened, error, fetched, refetch } = useOpenedDesk(requestId);
  useDeskNews();

  if (error && !fetched)
    return (
      <Centred>
        <FaultNote again={() => void refetch()}>{faultWords(error)}</FaultNote>
      </Centred>
    );
  if (!opened)
    return (
      <div
        role="status"
        aria-label="Loading"
        className="h-dvh animate-pulse bg-[linear-gradient(var(--color-stage),var(--color-stage))] bg-[length:800px_450px] bg-[position:0_48px] bg-no-repeat"
      />
    );
  return <WhenReady subject={opened} again={() => void refetch()} />;
}

const Centred = ({ children }: { children: React.ReactNode }) => (
  <main className="mx-auto flex min-h-dvh max-w-md flex-col justify-center gap-4 p-6">
    {children}
    <Link to="/today" className="linked">
      Back to Today
    </Link>
  </main>
);

/** Waits for the footage; its progress is live, and the desk opens by itself when it is ready. */
function WhenReady({ subject, again }: { subject: DeskSubject; again: () => void }) {
  const { footages } = subject.request;
  const [search] = useSearchParams();
  // The one that is asked for, else the first that can be looked at.
  const footage = footages.find(({ id }) => id === search.get('footage')) ?? footages.find(({ state }) => state === 'ready') ?? footages[0];
  if (!footage || footage.state === 'removed')
    return (
      <Centred>
        <NoFootageYet name={subject.client.name} footages={footage ? [footage] : []} />
      </Centred>
    );
  return <FootageWhenReady key={footage.id} subject={subject} footage={footage} again={again} />;
}

function FootageWhenReady({ subject, footage, again }: { subject: DeskSubject; footage: Footage; again: () => void }) {
  const ready = useProgress(footage).state === 'ready';
  const table = useGetFrameTableQuery(footage.id, { skip: !ready });
  // Asked for together with the table, so that the desk has both when it opens.
  useViewing(footage.id, { skip: !ready });
  // What was fetched while it was being made ready lacks its length and bouts.
  const stale = ready && footage.state !== 'ready';
  useEffect(() => {
    if (stale) again();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- asked for once, when it becomes ready
  }, [stale]);
  if (table.error)
    return (
      <Centred>
        <FaultNote again={() => void table.refetch()}>{faultWords(table.error)}</FaultNote>
      </Centred>
    );
  if (!ready)
    return (
      <Centred>
        <NoFootageYet name={subject.client.name} footages={[footage]} />
      </Centred>
    );
  if (!table.data || stale) return <div role="status" aria-label="Loading" className="h-dvh" />;
  return <Desk subject={subject} footage={footage} table={table.data} />;
}
