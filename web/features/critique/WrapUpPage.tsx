import { useOpenDeskQuery } from '../desk/index.ts';
import { Link, Navigate, useParams } from 'react-router';
import { FaultNote, RowsSkeleton } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useGetCritiqueDraftQuery } from './api.ts';
import { WrapUp } from './WrapUp.tsx';

/** From notes to the fixes worth sending. A critique that has been sent is read, not changed. */
export function WrapUpPage() {
  const { requestId = '' } = useParams();
  const desk = useOpenDeskQuery(requestId, { refetchOnMountOrArgChange: true });
  const draft = useGetCritiqueDraftQuery(requestId, { refetchOnMountOrArgChange: true });
  const ready = desk.data?.request.footages.some(({ state }) => state === 'ready');
  const fault = desk.error ?? draft.error;
  if (draft.data?.sentAt && draft.data.critiqueId) return <Navigate replace to={`/critiques/${draft.data.critiqueId}`} />;
  return (
    <main className="py-8">
      {fault && (
        <FaultNote
          again={() => {
            void desk.refetch();
            void draft.refetch();
          }}
        >
          {faultWords(fault)}
        </FaultNote>
      )}
      {!fault && desk.data && !ready && (
        <p className="text-read">
          The footage is not ready yet.{' '}
          <Link to="/today" className="linked">
            Back to Today
          </Link>
        </p>
      )}
      {!fault && (!desk.data || !draft.data) && <RowsSkeleton />}
      {!desk.isFetching && !draft.isFetching && ready && desk.data && draft.data && (
        <WrapUp key={requestId} subject={desk.data} draft={draft.data} />
      )}
    </main>
  );
}
