import type { CritiqueDoc } from '@lean-mentor/core/critique';
import { useEffect, useRef } from 'react';
import { useParams } from 'react-router';
import { FaultNote, RowsSkeleton } from '../../../shared/primitives/index.ts';
import { faultWords, useFresh } from '../../../shared/wire/index.ts';
import { useOpenDeskQuery } from '../../desk/index.ts';
import { useDraftCritiqueMutation, useGetCritiqueDraftQuery } from '../api.ts';
import { CritiqueEditor } from './CritiqueEditor.tsx';

/** The critique of a request, to be written. The first time it is drafted from the work on the desk. */
export function CritiqueEditorPage() {
  const { requestId = '' } = useParams();
  const desk = useOpenDeskQuery(requestId, { refetchOnMountOrArgChange: true });
  const draft = useGetCritiqueDraftQuery(requestId, { refetchOnMountOrArgChange: true });
  const [draftNow, drafted] = useDraftCritiqueMutation();
  const isFresh = useFresh(draft.fulfilledTimeStamp);
  const empty = draft.data?.doc === null && isFresh;
  const begun = useRef(false);
  useEffect(() => {
    if (!empty || begun.current) return;
    begun.current = true;
    void draftNow(requestId);
  }, [empty, requestId, draftNow]);
  const fault = desk.error ?? draft.error ?? drafted.error;
  const opened: { doc: CritiqueDoc; revision: number } | null = draft.data?.doc
    ? { doc: draft.data.doc, revision: draft.data.revision }
    : (drafted.data ?? null);
  if (fault && !opened)
    return (
      <main className="py-8">
        <FaultNote
          again={() => {
            void desk.refetch();
            void draft.refetch();
            begun.current = false;
          }}
        >
          {faultWords(fault)}
        </FaultNote>
      </main>
    );
  if (!opened || !desk.data || !draft.data || (!isFresh && !drafted.data))
    return (
      <main className="py-8">
        <RowsSkeleton rows={5} />
      </main>
    );
  return <CritiqueEditor key={requestId} subject={desk.data} draft={draft.data} opened={opened} />;
}
