import { createListenerMiddleware, isAnyOf, type ListenerEffectAPI, type ThunkDispatch, type UnknownAction } from '@reduxjs/toolkit';
import { toast } from 'sonner';
import type { WireFault } from '../../shared/wire/index.ts';
import { deskApi } from './api.ts';
import { deskEdited, deskOpened, deskRedone, deskUndone, outboxCleared, savingChanged, type DeskState } from './deskSlice.ts';
import { keepOutbox } from './outboxStore.ts';

interface WithDesk {
  desk: DeskState;
}
type Api = ListenerEffectAPI<WithDesk, ThunkDispatch<WithDesk, unknown, UnknownAction>>;

/** Rest after the last edit before it is sent, and between tries while the server is away, in ms. */
const restMs = 250;
const longestWaitMs = 15_000;
/** The server takes at most this many edits at once. */
const mostAtOnce = 200;

/** Codes that say: not now. Anything else means that the edit itself is not taken. */
const passing: ReadonlySet<string> = new Set(['offline', 'unknown', 'not-signed-in', 'stale-page']);

/** Sends what waits, oldest first, until the server has it all. Edits it refuses are named and let go, the rest goes on. */
async function sendOutbox({ dispatch, getState, delay }: Api): Promise<void> {
  let waitMs = 1000;
  let atOnce = mostAtOnce;
  for (;;) {
    const { requestId, outbox } = getState().desk;
    const changes = outbox.slice(0, atOnce);
    if (!requestId || changes.length === 0) break;
    const answer = await dispatch(deskApi.endpoints.saveDeskChanges.initiate({ requestId, changes }, { track: false }));
    if (answer.data) {
      dispatch(outboxCleared(answer.data.saved));
      keepOutbox(requestId, getState().desk.outbox);
      waitMs = 1000;
      continue;
    }
    const fault = answer.error as WireFault;
    if (passing.has(fault.code)) {
      dispatch(savingChanged('kept'));
      await delay(waitMs);
      waitMs = Math.min(longestWaitMs, waitMs * 2);
    } else if (atOnce > 1) {
      // One of them is at fault: they are sent one by one to find which.
      atOnce = 1;
    } else {
      toast.error(`One edit was not taken: ${fault.message}`, { duration: 12_000 });
      dispatch(outboxCleared([changes[0]!.changeId]));
      keepOutbox(requestId, getState().desk.outbox);
    }
  }
  dispatch(savingChanged('saved'));
}

/** Keeps every edit in this browser at once and sends it to the server a moment later. */
export const deskSaving = createListenerMiddleware<WithDesk, ThunkDispatch<WithDesk, unknown, UnknownAction>>();

let sending = false;

deskSaving.startListening({
  matcher: isAnyOf(deskEdited, deskUndone, deskRedone, deskOpened),
  effect: async (_, api) => {
    const { requestId, outbox } = api.getState().desk;
    if (!requestId || outbox.length === 0) return;
    keepOutbox(requestId, outbox);
    // One loop sends at a time; it sees what is edited while it runs.
    if (sending) return;
    sending = true;
    api.dispatch(savingChanged('saving'));
    try {
      await api.delay(restMs);
      await sendOutbox(api);
    } finally {
      sending = false;
    }
  },
});
