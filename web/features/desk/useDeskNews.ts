import { useEffect } from 'react';
import { useDispatch, useStore } from 'react-redux';
import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { deskApi } from './api.ts';
import { serverAnswered, type DeskState } from './deskSlice.ts';
import { dropFromOutbox, readOutbox } from './deskStore.ts';
import { hearOtherTabs } from './otherTabs.ts';

interface WithDesk {
  desk: DeskState;
}
type Dispatch = ThunkDispatch<WithDesk, unknown, UnknownAction>;

/** How often another person's edits are asked for while the desk is looked at, in ms; another tab's come at once. */
const everyMs = 4000;

/** The server takes at most this many edits at once. */
export const mostAtOnce = 200;
/** Nothing is newer: what came of the edits need not be told. */
const newest = Number.MAX_SAFE_INTEGER;

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

/** Sends what an earlier visit left in this browser, whichever desk it was on. */
export function useLeftoverEdits(): void {
  const dispatch = useDispatch<Dispatch>();
  const store = useStore<WithDesk>();
  useEffect(() => {
    const sendLeftovers = async (): Promise<void> => {
      const left = await readOutbox();
      for (const requestId of new Set(left.map((entry) => entry.requestId))) {
        // The desk that is open sends its own.
        if (requestId === store.getState().desk.requestId) continue;
        const edits = left.filter((entry) => entry.requestId === requestId).map(({ change }) => change);
        for (let at = 0; at < edits.length; at += mostAtOnce) {
          const changes = edits.slice(at, at + mostAtOnce);
          const answer = await dispatch(
            deskApi.endpoints.saveDeskChanges.initiate({ requestId, changes, since: newest }, { track: false }),
          );
          if (answer.data) await dropFromOutbox(answer.data.saved);
        }
      }
    };
    void sendLeftovers().catch(() => undefined);
  }, [dispatch, store]);
}
