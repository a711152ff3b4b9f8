import type { DraftStep, IntakeDraft } from '@lean-mentor/contract';
import { currentAccount } from '../../../shared/wire/index.ts';

/** What has been said on this device and not reached the server yet. */
export interface Unsaved {
  step: DraftStep;
  said: IntakeDraft;
}

/** What is kept is theirs who wrote it: another who uses this browser neither sees nor sends it. */
const keyOf = (requestId: string): string => `lean-draft-${currentAccount() ?? ''}-${requestId}`;

/** What an earlier visit could not save, or null. */
export function readUnsaved(requestId: string): Unsaved | null {
  try {
    const text = localStorage.getItem(keyOf(requestId));
    return text ? (JSON.parse(text) as Unsaved) : null;
  } catch {
    return null;
  }
}

/** Keeps it in this browser until it has been saved; null forgets it. A browser without room keeps nothing and goes on. */
export function keepUnsaved(requestId: string, unsaved: Unsaved | null): void {
  try {
    if (unsaved) localStorage.setItem(keyOf(requestId), JSON.stringify(unsaved));
    else localStorage.removeItem(keyOf(requestId));
  } catch {
    // The page still holds it.
  }
}
