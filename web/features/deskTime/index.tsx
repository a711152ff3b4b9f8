import * as contract from '@lean-mentor/contract';
import { useEffect } from 'react';
import { useMatch } from 'react-router';
import { baseApi, mutationOf } from '../../shared/wire/index.ts';
import { DeskClock } from './deskClock.ts';

const deskTimeApi = baseApi.injectEndpoints({ endpoints: (build) => ({ recordDeskTime: mutationOf(build, contract.recordDeskTime) }) });

/** Pages on which a request is worked at. */
const atWork = new Set(['desk', 'wrap-up', 'takes', 'critique']);
/** How often what was counted is told, ms. */
const tellMs = 20_000;
/** What counts as doing something; film that runs tells its time, and is being looked at. */
const doings = ['pointermove', 'pointerdown', 'keydown', 'wheel', 'timeupdate'] as const;

/** Counts the time that is spent on a request, on whichever of its pages, and tells it. Draws nothing. */
export function DeskTimeWatch() {
  const match = useMatch('/requests/:requestId/:page/*');
  const requestId = match && atWork.has(match.params.page ?? '') ? match.params.requestId! : null;
  const [record] = deskTimeApi.useRecordDeskTimeMutation();
  useEffect(() => {
    if (!requestId) return;
    const clock = new DeskClock();
    const act = (): void => clock.act(Date.now());
    const tell = async (): Promise<void> => {
      const now = Date.now();
      const minutes = clock.untold(now);
      if (minutes.length > 0 && !('error' in (await record({ requestId, minutes })))) clock.told(now);
    };
    const leave = (): void => void tell();
    // To open it is something done.
    act();
    for (const doing of doings) addEventListener(doing, act, { capture: true, passive: true });
    addEventListener('pagehide', leave);
    const ticking = setInterval(() => document.visibilityState === 'visible' && clock.tick(Date.now()), 1000);
    const telling = setInterval(leave, tellMs);
    return () => {
      for (const doing of doings) removeEventListener(doing, act, { capture: true });
      removeEventListener('pagehide', leave);
      clearInterval(ticking);
      clearInterval(telling);
      leave();
    };
  }, [requestId, record]);
  return null;
}
