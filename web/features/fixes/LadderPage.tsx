import { useParams } from 'react-router';
import { FaultNote, RowsSkeleton } from '../../shared/primitives/index.ts';
import { faultWords, useFresh } from '../../shared/wire/index.ts';
import { useGetBookQuery } from '../book/index.ts';
import { useOpenDeskQuery } from '../desk/index.ts';
import { useGetLadderQuery } from './api.ts';
import { LadderView } from './LadderView.tsx';
import { WhileNotReady } from './WhileNotReady.tsx';

/** From notes to the one to three fixes worth sending. */
export function LadderPage() {
  const { requestId = '' } = useParams();
  const desk = useOpenDeskQuery(requestId, { refetchOnMountOrArgChange: true });
  const ladder = useGetLadderQuery(requestId, { refetchOnMountOrArgChange: true });
  const book = useGetBookQuery();
  const isFresh = useFresh(ladder.fulfilledTimeStamp);
  const fault = desk.error ?? ladder.error ?? book.error;
  const ready = desk.data?.request.footages.some(({ state }) => state === 'ready');
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
      {!fault && desk.data && !ready && (
        <WhileNotReady
          name={desk.data.client.name}
          footages={desk.data.request.footages}
          // The ladder first: it is shown as soon as the desk says that there is footage.
          onReady={() => void ladder.refetch().then(() => desk.refetch())}
        />
      )}
      {!fault && !(desk.data && ladder.data && book.data && isFresh) && <RowsSkeleton />}
      {!fault && ready && isFresh && desk.data && ladder.data && book.data && (
        <LadderView key={requestId} subject={desk.data} data={ladder.data} book={book.data} onRenamed={() => void desk.refetch()} />
      )}
    </main>
  );
}
