import { useEffect } from 'react';
import { useDispatch } from 'react-redux';
import { useOpenDeskQuery } from './api.ts';
import { deskOpened } from './deskSlice.ts';
import { readAside, readHistory, readOutbox, type History } from './deskStore.ts';
import { useDeskPart } from './useDesk.ts';

/** What was fetched this long ago, in seconds (on the way here), is not fetched again; what is newer comes with the news. */
const freshSeconds = 5;

/**
 * Opens the desk of a request: fetched whole, with what this browser has kept of it. From then on it is edited through the desk's actions,
 * saved as it happens, and every edit can be taken back, whichever page it was made on.
 */
export function useOpenedDesk(requestId: string) {
  const {
    data,
    error,
    refetch,
    fulfilledTimeStamp: openedAt = 0,
  } = useOpenDeskQuery(requestId, { refetchOnMountOrArgChange: freshSeconds });
  const dispatch = useDispatch();
  const openedId = useDeskPart((desk) => desk.requestId);
  const fresh = data?.request.id === requestId ? data : undefined;
  useEffect(() => {
    if (!fresh) return;
    let away = false;
    const { id } = fresh.request;
    // A browser that stores nothing has nothing to bring back.
    void Promise.all([readOutbox(id), readHistory(id), readAside(id)])
      .catch((): [[], History, []] => [[], { done: [], undone: [] }, []])
      .then(([kept, history, aside]) => {
        if (away) return;
        const outbox = kept.map(({ change }) => change);
        dispatch(deskOpened({ requestId: id, document: fresh.document, sequence: fresh.sequence, outbox, history, aside }));
      });
    return () => {
      away = true;
    };
  }, [fresh, dispatch]);
  return { opened: fresh && openedId === requestId ? fresh : undefined, fetched: fresh, openedAt, error, refetch };
}
