import { useEffect, useMemo, useState } from 'react';
import type { Footage } from '@lean-mentor/contract';
import { Link, useParams, useSearchParams } from 'react-router';
import { FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { isLookable, NoFootageYet, useCopy, useFootageWatch, useProgress, warmDecoder } from '../footage/index.ts';
import { useGetRequestQuery } from '../requests/index.ts';
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
  const { opened, openedAt, error, fetched, refetch } = useOpenedDesk(requestId);
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
  return <WhenLookable opened={opened} openedAt={openedAt} />;
}

const Centred = ({ children }: { children: React.ReactNode }) => (
  <main className="mx-auto flex min-h-dvh max-w-md flex-col justify-center gap-4 p-6">
    {children}
    <Link to="/today" className="linked">
      Back to Today
    </Link>
  </main>
);

/** Waits for the footage; its progress is live, and the desk opens by itself as soon as some of it can be looked at. */
function WhenLookable({ opened, openedAt }: { opened: DeskSubject; openedAt: number }) {
  // What is found only while footage is made ready (its length, its bouts) comes without opening the desk anew.
  const { data, fulfilledTimeStamp: askedAt = 0 } = useGetRequestQuery(opened.request.id);
  const request = data && askedAt > openedAt ? data : opened.request;
  const subject = useMemo(() => ({ ...opened, request }), [opened, request]);
  const { footages } = request;
  const [search] = useSearchParams();
  const [openedOn, setOpenedOn] = useState<string | null>(null);
  // The one that is asked for, else the one that is open already, else the first that can be looked at.
  const footage =
    footages.find(({ id }) => id === search.get('footage')) ??
    footages.find(({ id, state }) => id === openedOn && state !== 'removed') ??
    footages.find(({ state }) => state === 'ready') ??
    footages.find(({ soFar }) => soFar) ??
    footages[0];
  if (footage && isLookable(footage) && openedOn !== footage.id) setOpenedOn(footage.id);
  if (!footage || footage.state === 'removed')
    return (
      <Centred>
        <NoFootageYet name={subject.client.name} footages={footage ? [footage] : []} />
      </Centred>
    );
  return <FootageWhenLookable key={footage.id} subject={subject} footage={footage} />;
}

function FootageWhenLookable({ subject, footage }: { subject: DeskSubject; footage: Footage }) {
  const progress = useProgress(footage);
  const { copy, error, refetch, askAgain } = useCopy(progress);
  if (error && !copy)
    return (
      <Centred>
        <FaultNote again={() => void refetch()}>{faultWords(error)}</FaultNote>
      </Centred>
    );
  if (progress.state !== 'ready' && !progress.soFar && !copy)
    return (
      <Centred>
        <NoFootageYet name={subject.client.name} footages={[footage]} />
      </Centred>
    );
  // Its size and length are known by then; what was fetched before is on its way once more.
  if (!copy || footage.width === null) return <div role="status" aria-label="Loading" className="h-dvh" />;
  return <Desk subject={subject} footage={footage} copy={copy} askAgain={askAgain} />;
}
