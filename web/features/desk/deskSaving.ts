import { createListenerMiddleware, isAnyOf, type ListenerEffectAPI, type UnknownAction } from '@reduxjs/toolkit';
import { passingCodes } from '@lean-mentor/contract';
import type { DeskChange } from '@lean-mentor/core/desk';
import { toast } from 'sonner';
import { currentAccount, type WireFault } from '../../shared/wire/index.ts';
import { deskApi } from './api.ts';
import {
  deskEdited,
  deskOpened,
  deskRedone,
  deskUndone,
  editsRefused,
  savingChanged,
  serverAnswered,
  type DeskState,
} from './deskSlice.ts';
import { keepEdits } from './deskKeeper.ts';
import { dropFromOutbox, forgetSteps, markStep, setAside } from './deskStore.ts';
import { tellOtherTabs } from './otherTabs.ts';
import { asideOf, mostAtOnce, type Dispatch, type WithDesk } from './leftoverEdits.ts';

type Api = ListenerEffectAPI<WithDesk, Dispatch>;

/** Between tries while the server is away, at first and at most, in ms. */
const usualWaitMs = 500;
const longestWaitMs = 15_000;

/** Whether a fault says: not now. Anything else means that the edit itself is not taken. */
const passes = ({ code }: WireFault): boolean => code === 'offline' || passingCodes.has(code);

/**
 * What is known of where edits are: how many are on their way to the disk, whether some never came there, and whether the server answers.
 */
interface Whereabouts {
  onTheirWay: number;
  unkept: boolean;
  away: boolean;
}

/** Says where the edits are. Only when all of them are on the disk may it be said that they are kept, whatever the server does. */
function say({ onTheirWay, unkept, away }: Whereabouts, dispatch: Dispatch): void {
  dispatch(savingChanged(onTheirWay > 0 || unkept ? 'writing' : away ? 'away' : 'kept'));
}

/** Sets aside what the server will never take, so that the rest goes on, and says so. */
function putAside(
  dispatch: Dispatch,
  here: boolean,
  requestId: string,
  changes: readonly DeskChange[],
  refused: readonly { changeId: string; why: string }[],
): void {
  const aside = asideOf(requestId, changes, refused);
  if (here) dispatch(editsRefused(aside));
  toast.error(`${aside.length === 1 ? 'One edit was' : `${aside.length} edits were`} not taken: ${aside[0]?.why ?? ''}`, {
    duration: 12_000,
  });
  void setAside(aside).catch(() => undefined);
}

/** Sends what waits, oldest first, until the server has it all. Edits it refuses are named and let go, the rest goes on. */
async function sendOutbox({ dispatch, getState, delay }: Api, where: Whereabouts, firstWaitMs: number): Promise<void> {
  let waitMs = firstWaitMs;
  let atOnce = mostAtOnce;
  const author = currentAccount();
  for (;;) {
    // Edits go out under the name of who made them, or wait until they are back.
    if (currentAccount() !== author) return;
    const { requestId, outbox, sequence } = getState().desk;
    const changes = outbox.slice(0, atOnce);
    if (!requestId || changes.length === 0) {
      // What was never kept is with the server now.
      where.unkept = false;
      return;
    }
    const answer = await dispatch(deskApi.endpoints.saveDeskChanges.initiate({ requestId, changes, since: sequence }, { track: false }));
    const here = getState().desk.requestId === requestId;
    where.away = !answer.data && passes(answer.error as WireFault);
    if (answer.data) {
      const { saved, refused } = answer.data;
      if (here) dispatch(serverAnswered(answer.data));
      void dropFromOutbox(saved);
      if (refused.length > 0) putAside(dispatch, here, requestId, changes, refused);
      tellOtherTabs(requestId);
      waitMs = firstWaitMs;
      continue;
    }
    const fault = answer.error as WireFault;
    if (where.away) {
      say(where, dispatch);
      await delay(waitMs);
      waitMs = Math.min(longestWaitMs, waitMs * 2);
    } else if (atOnce > 1 && changes.length > 1) {
      // One of them is at fault: they are sent one by one to find which.
      atOnce = 1;
    } else {
      putAside(
        dispatch,
        here,
        requestId,
        changes,
        changes.map(({ changeId }) => ({ changeId, why: fault.message })),
      );
      atOnce = mostAtOnce;
    }
  }
}

/** Stores what an action did; the server is told meanwhile. */
async function keep(action: UnknownAction, before: DeskState, { dispatch, getState }: Api, where: Whereabouts): Promise<void> {
  const { requestId, done, undone } = getState().desk;
  if (!requestId) return;
  where.onTheirWay += 1;
  try {
    if (deskEdited.match(action)) {
      const { changes, step } = action.payload;
      await keepEdits(requestId, changes, step === null ? null : { id: step, changes });
      if (step !== null && before.undone.length > 0) await forgetSteps(before.undone.map(({ id }) => id));
    } else if (deskUndone.match(action) && action.payload.length > 0) {
      await keepEdits(requestId, action.payload, null);
      if (undone.at(-1)) await markStep(undone.at(-1)!.id, true);
    } else if (deskRedone.match(action) && action.payload.length > 0) {
      await keepEdits(requestId, action.payload, null);
      if (done.at(-1)) await markStep(done.at(-1)!.id, false);
    }
  } catch {
    where.unkept = true;
    // A browser that stores nothing (a private window, a full disk) still sends.
    if (getState().desk.saving !== 'saved')
      toast.warning('This browser keeps nothing. Do not close it before it says “Saved”.', { id: 'keeps-nothing' });
  } finally {
    where.onTheirWay -= 1;
    if (where.onTheirWay === 0) say(where, dispatch);
  }
}

/** Keeps every edit in this browser at once and sends it to the server. */
export function makeDeskSaving(firstWaitMs = usualWaitMs) {
  const saving = createListenerMiddleware<WithDesk, Dispatch>();
  const where: Whereabouts = { onTheirWay: 0, unkept: false, away: false };
  let sending = false;
  const send = async (api: Api): Promise<void> => {
    // One loop sends at a time; it sees what is edited while it runs.
    if (sending) return;
    sending = true;
    try {
      await sendOutbox(api, where, firstWaitMs);
    } finally {
      sending = false;
    }
  };
  saving.startListening({
    matcher: isAnyOf(deskEdited, deskUndone, deskRedone, deskOpened),
    effect: async (action, api) => {
      if (api.getState().desk.outbox.length === 0) return;
      await Promise.all([keep(action, api.getOriginalState().desk, api, where), send(api)]);
    },
  });
  return saving.middleware;
}
