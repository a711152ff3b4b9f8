import type { CritiqueDoc } from '@lean-mentor/core/critique';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { currentAccount, type WireFault } from '../../../shared/wire/index.ts';
import { useSaveCritiqueDraftMutation } from '../api.ts';
import { DraftKeeper, type KeeperNow } from './draftKeeper.ts';

/** What is kept is its author's: another who uses this browser neither sees nor sends it. */
const keyOf = (requestId: string): string => `lean-mentor critique ${currentAccount() ?? ''} ${requestId}`;

/** What this browser kept of a critique that the server does not have yet; null where there is nothing. */
export const keptDraft = (requestId: string): CritiqueDoc | null => {
  const kept = localStorage.getItem(keyOf(requestId));
  return kept ? (JSON.parse(kept) as CritiqueDoc) : null;
};

export type DraftSaving = KeeperNow & Pick<DraftKeeper, 'put' | 'flush' | 'settle'>;

/** The keeper of a request's critique, and where it stands. Leaving the page saves what waits. */
export function useDraftSaving(requestId: string, revision: number): DraftSaving {
  const [save] = useSaveCritiqueDraftMutation();
  const [keeper] = useState(
    () =>
      new DraftKeeper(
        async (doc, based) => {
          const { data, error } = await save({ requestId, doc, revision: based });
          return data ?? { fault: error, conflict: (error as WireFault | undefined)?.code === 'changed-meanwhile' };
        },
        {
          put: (doc) => localStorage.setItem(keyOf(requestId), JSON.stringify(doc)),
          clear: () => localStorage.removeItem(keyOf(requestId)),
        },
        revision,
      ),
  );
  const now = useSyncExternalStore(keeper.subscribe, keeper.snapshot);
  useEffect(() => () => void keeper.flush(), [keeper]);
  return { ...now, put: keeper.put, flush: keeper.flush, settle: keeper.settle };
}
