import { createListenerMiddleware, isAnyOf, type ListenerEffectAPI, type UnknownAction } from '@reduxjs/toolkit';
import type { DeskChange } from '@lean-mentor/core/desk';
import { toast } from 'sonner';
import { Keeper, type KeeperOf } from '../../shared/keeping/index.ts';
import { currentAccount } from '../../shared/wire/index.ts';
import { deskApi } from './api.ts';
import {
  deskEdited,
  deskOpened,
  deskRedone,
  deskUndone,
  editsRefused,
  savingChanged,
  serverAnswered,
  type Answer,
  type DeskState,
} from './deskSlice.ts';
import { keepEdits } from './deskKeeper.ts';
import { dropFromOutbox, forgetSteps, markStep, setAside } from './deskStore.ts';
import { tellOtherTabs } from './otherTabs.ts';
import { asideOf, mostAtOnce, type Dispatch, type WithDesk } from './leftoverEdits.ts';

type Api = ListenerEffectAPI<WithDesk, Dispatch>;

/** Between tries while the server is away, at first, in ms. */
const usualWaitMs = 500;

/** What is known of where edits are: how many are on their way to the disk, whether some never came there, and whose they are. */
interface Whereabouts {
  onTheirWay: number;
  unkept: boolean;
  author: string | null;
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

/** How the keeper sends the outbox of the desk that is open; edits leave under the name of whoever made them. */
function deskKeeping({ dispatch, getState }: Pick<Api, 'dispatch' | 'getState'>, where: Whereabouts): KeeperOf<DeskChange, Answer> {
  /** The desk of the lot that was sent last. */
  let sentOf = '';
  const isHere = (): boolean => getState().desk.requestId === sentOf;
  return {
    restMs: 0,
    mostAtOnce,
    queue: {
      // Where somebody else is signed in now, what is in the outbox waits until its author is back.
      waiting: () => (currentAccount() === where.author ? getState().desk.outbox : []),
      isKept: () => where.onTheirWay === 0 && !where.unkept,
      taken: (changes, answer) => {
        if (isHere()) dispatch(serverAnswered(answer));
        void dropFromOutbox(answer.saved);
        if (answer.refused.length > 0) putAside(dispatch, isHere(), sentOf, changes, answer.refused);
        tellOtherTabs(sentOf);
        // What was never kept is with the server now.
        if (getState().desk.outbox.length === 0) where.unkept = false;
      },
      refused: (change, { message }) => putAside(dispatch, isHere(), sentOf, [change], [{ changeId: change.changeId, why: message }]),
    },
    send: (changes) => {
      const { requestId, sequence } = getState().desk;
      sentOf = requestId!;
      return dispatch(
        deskApi.endpoints.saveDeskChanges.initiate({ requestId: requestId!, changes: [...changes], since: sequence }, { track: false }),
      );
    },
  };
}

/** Stores what an action did; the server is told meanwhile. */
async function keep(action: UnknownAction, before: DeskState, { getState }: Api, where: Whereabouts): Promise<void> {
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
  }
}

/** Keeps every edit in this browser at once and sends it to the server. */
export function makeDeskSaving(firstWaitMs = usualWaitMs) {
  const saving = createListenerMiddleware<WithDesk, Dispatch>();
  const where: Whereabouts = { onTheirWay: 0, unkept: false, author: null };
  let keeper: Keeper<DeskChange, Answer> | null = null;
  const keeperOf = ({ dispatch, getState }: Api): Keeper<DeskChange, Answer> => {
    const made = new Keeper({ ...deskKeeping({ dispatch, getState }, where), firstWaitMs });
    made.subscribe(() => dispatch(savingChanged(made.snapshot().saving)));
    return made;
  };
  saving.startListening({
    matcher: isAnyOf(deskEdited, deskUndone, deskRedone, deskOpened),
    effect: async (action, api) => {
      // An outbox is one person's: theirs who opened the desk, or made the first edit in it.
      if (deskOpened.match(action) || api.getOriginalState().desk.outbox.length === 0) where.author = currentAccount();
      if (api.getState().desk.outbox.length === 0) return;
      keeper ??= keeperOf(api);
      const kept = keep(action, api.getOriginalState().desk, api, where);
      keeper.written();
      await kept;
      keeper.look();
    },
  });
  return saving.middleware;
}
