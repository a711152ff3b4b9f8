import { useEffect } from 'react';
import { useDispatch, useStore } from 'react-redux';
import { deskApi } from './api.ts';
import { carryMemos } from './take/carriedMemos.ts';
import { useDeadTakes } from './take/useDeadTakes.ts';
import { sendLeftoverEdits, type Dispatch, type WithDesk } from './leftoverEdits.ts';

/** The page comes first: what was left is sent when it has settled, in ms. */
const restMs = 3000;

/**
 * Sends what an earlier visit left in this browser: edits of any desk, and takes that were being spoken; what was spoken for notes
 * before that was a take becomes one first.
 */
export function useLeftovers(): void {
  const dispatch = useDispatch<Dispatch>();
  const store = useStore<WithDesk>();
  useDeadTakes();
  useEffect(() => {
    const send = async (): Promise<void> => {
      const sendEdits = () => sendLeftoverEdits(dispatch, store.getState().desk);
      // Their notes first.
      await sendEdits();
      const carried = await carryMemos(async (requestId, noteId) => {
        const asked = dispatch(deskApi.endpoints.openDesk.initiate(requestId, { subscribe: false, forceRefetch: true }));
        return (await asked.unwrap()).document.notes[noteId] ?? null;
      });
      if (carried) await sendEdits();
    };
    // A browser that stores nothing has nothing left.
    const timer = setTimeout(() => void send().catch(() => undefined), restMs);
    return () => clearTimeout(timer);
  }, [dispatch, store]);
}
