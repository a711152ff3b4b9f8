import { useEffect } from 'react';
import { useDispatch, useStore } from 'react-redux';
import { deskApi } from './api.ts';
import { serverAnswered } from './deskSlice.ts';
import type { Dispatch, WithDesk } from './leftoverEdits.ts';
import { hearOtherTabs } from './otherTabs.ts';

/** How often another person's edits are asked for while the desk is looked at, in ms; another tab's come at once. */
const everyMs = 4000;

/** Fetches what others did on the desk that is open, and puts it in. */
export function useDeskNews(): void {
  const dispatch = useDispatch<Dispatch>();
  const store = useStore<WithDesk>();
  useEffect(() => {
    let asking = false;
    const ask = async (): Promise<void> => {
      const { requestId, sequence } = store.getState().desk;
      if (!requestId || asking) return;
      asking = true;
      const answer = await dispatch(
        deskApi.endpoints.saveDeskChanges.initiate({ requestId, changes: [], since: sequence }, { track: false }),
      );
      asking = false;
      if (answer.data && answer.data.changes.length > 0 && store.getState().desk.requestId === requestId)
        dispatch(serverAnswered(answer.data));
    };
    const timer = setInterval(() => document.visibilityState === 'visible' && void ask(), everyMs);
    const stop = hearOtherTabs((requestId) => requestId === store.getState().desk.requestId && void ask());
    return () => {
      clearInterval(timer);
      stop();
    };
  }, [dispatch, store]);
}
