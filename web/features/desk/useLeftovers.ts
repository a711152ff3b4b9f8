import { useEffect } from 'react';
import { useDispatch, useStore } from 'react-redux';
import { sendSounds } from './memo/memoSounds.ts';
import { recoverRecordings } from './memo/recordings.ts';
import { useDeadTakes } from './take/useDeadTakes.ts';
import { sendLeftoverEdits, type Dispatch, type WithDesk } from './leftoverEdits.ts';

/** The page comes first: what was left is sent when it has settled, in ms. */
const restMs = 3000;

/**
 * Sends what an earlier visit left in this browser: memos whose tab died, edits of any desk, then the sounds of memos among them, and
 * takes that were being spoken.
 */
export function useLeftovers(): void {
  const dispatch = useDispatch<Dispatch>();
  const store = useStore<WithDesk>();
  useDeadTakes();
  useEffect(() => {
    const send = async (): Promise<void> => {
      await recoverRecordings();
      await sendLeftoverEdits(dispatch, store.getState().desk);
      await sendSounds();
    };
    // A browser that stores nothing has nothing left.
    const timer = setTimeout(() => void send().catch(() => undefined), restMs);
    return () => clearTimeout(timer);
  }, [dispatch, store]);
}
