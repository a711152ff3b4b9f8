import type { ComparisonItem } from '@lean-mentor/core/desk';

/** A frame in the tray, and what it is called. */
export interface TrayItem extends ComparisonItem {
  words: string;
}

/** Side by side there is room for so many. */
export const mostItems = 4;
const keyOf = (clientId: string): string => `lean.tray.${clientId}`;

/** What lies in the tray of a client: it stays when another of their requests is opened, so that frames of both meet. */
export function readTray(clientId: string): TrayItem[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(clientId)) ?? '[]');
    return Array.isArray(kept) ? (kept as TrayItem[]).slice(0, mostItems) : [];
  } catch {
    return [];
  }
}

export function keepTray(clientId: string, items: readonly TrayItem[]): void {
  localStorage.setItem(keyOf(clientId), JSON.stringify(items));
}
