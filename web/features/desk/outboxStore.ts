import type { DeskChange } from '@lean-mentor/core/desk';

const keyOf = (requestId: string): string => `lean.desk.${requestId}`;

/** Edits of a request that were kept in this browser because they had not reached the server. */
export function readOutbox(requestId: string): DeskChange[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(requestId)) ?? '[]');
    return Array.isArray(kept) ? (kept as DeskChange[]) : [];
  } catch {
    return [];
  }
}

export function keepOutbox(requestId: string, changes: readonly DeskChange[]): void {
  if (changes.length === 0) localStorage.removeItem(keyOf(requestId));
  else localStorage.setItem(keyOf(requestId), JSON.stringify(changes));
}
