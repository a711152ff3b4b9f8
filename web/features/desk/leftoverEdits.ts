import type { DeskChange } from '@lean-mentor/core/desk';
import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { deskApi } from './api.ts';
import type { DeskState } from './deskSlice.ts';
import { dropFromOutbox, readOutbox, setAside, type SetAside } from './deskStore.ts';

export interface WithDesk {
  desk: DeskState;
}
export type Dispatch = ThunkDispatch<WithDesk, unknown, UnknownAction>;

/** Refused edits with what they are, to be set aside. */
export const asideOf = (
  requestId: string,
  changes: readonly DeskChange[],
  refused: readonly { changeId: string; why: string }[],
): SetAside[] =>
  refused.flatMap(({ changeId, why }) => {
    const change = changes.find((one) => one.changeId === changeId);
    return change ? [{ changeId, requestId, change, why, at: Date.now() }] : [];
  });

/** The server takes at most this many edits at once. */
export const mostAtOnce = 200;

/**
 * Sends edits that were kept in this browser, whichever desk they belong to. The desk that is open sends those it knows of; it may have
 * been opened without the others, when the store was too slow to answer.
 */
export async function sendLeftoverEdits(dispatch: Dispatch, open: Pick<DeskState, 'outbox'>): Promise<void> {
  const known = new Set(open.outbox.map(({ changeId }) => changeId));
  const left = (await readOutbox()).filter(({ change }) => !known.has(change.changeId));
  for (const requestId of new Set(left.map((entry) => entry.requestId))) {
    const edits = left.filter((entry) => entry.requestId === requestId).map(({ change }) => change);
    for (let at = 0; at < edits.length; at += mostAtOnce) {
      const changes = edits.slice(at, at + mostAtOnce);
      const answer = await dispatch(deskApi.endpoints.saveDeskChanges.initiate({ requestId, changes, since: null }, { track: false }));
      if (!answer.data) continue;
      await dropFromOutbox(answer.data.saved);
      await setAside(asideOf(requestId, changes, answer.data.refused));
    }
  }
}
