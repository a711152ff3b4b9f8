import { useEffect, useMemo } from 'react';
import { useParams } from 'react-router';
import { FaultNote, RowsSkeleton } from '../../shared/primitives/index.ts';
import { WhileNotReady } from '../footage/index.ts';
import { faultWords, useFresh } from '../../shared/wire/index.ts';
import { useGetBookQuery } from '../book/index.ts';
import { useDeskPart, useOpenedDesk } from '../desk/index.ts';
import { useGetLadderQuery } from './api.ts';
import { LadderView } from './LadderView.tsx';

/** From notes to the one to three fixes worth sending. */
export function LadderPage() {
  const { requestId = '' } = useParams();
  const desk = useOpenedDesk(requestId);
  const document = useDeskPart((state) => state.document);
  const sequence = useDeskPart((state) => state.sequence);
  const ladder = useGetLadderQuery(requestId, { refetchOnMountOrArgChange: true });
  const book = useGetBookQuery();
  const isFresh = useFresh(ladder.fulfilledTimeStamp);
  const fault = desk.error ?? ladder.error ?? book.error;
  const subject = useMemo(() => desk.opened && { ...desk.opened, document }, [desk.opened, document]);
  // What was edited here has reached the server: the ladder is ranked anew.
  const rankedFrom = desk.opened?.sequence ?? sequence;
  const { refetch } = ladder;
  useEffect(() => {
    if (sequence > rankedFrom) void refetch();
  }, [sequence, rankedFrom, refetch]);
  const ready = desk.fetched?.request.footages.some(({ state }) => state === 'ready');
  return (
    <main className="py-8">
      {fault && (
        <FaultNote
          again={() => {
            void desk.refetch();
            void ladder.refetch();
            void book.refetch();
          }}
        >
          {faultWords(fault)}
        </FaultNote>
      )}
      {!fault && desk.fetched && !ready && (
        <WhileNotReady
          name={desk.fetched.client.name}
          footages={desk.fetched.request.footages}
          // The ladder first: it is shown as soon as the desk says that there is footage.
          onReady={() => void ladder.refetch().then(() => desk.refetch())}
        />
      )}
      {!fault && !(subject && ladder.data && book.data && isFresh) && <RowsSkeleton />}
      {!fault && ready && isFresh && subject && ladder.data && book.data && (
        <LadderView key={requestId} subject={subject} data={ladder.data} book={book.data} onBrought={() => void desk.refetch()} />
      )}
    </main>
  );
}
