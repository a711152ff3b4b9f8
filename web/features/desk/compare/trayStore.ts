import type { ComparisonItem } from '@lean-mentor/core/desk';
import { z } from 'zod';
import { browserShelf } from '../../../shared/keeping/index.ts';

/** A frame in the tray, and what it is called. */
export interface TrayItem extends ComparisonItem {
  words: string;
}

/** Side by side there is room for so many. */
export const mostItems = 4;
const trayItem = z.object({
  requestId: z.string(),
  footageId: z.string(),
  fromFrame: z.int(),
  toFrame: z.int().nullable(),
  anchorFrame: z.int(),
  mirrored: z.boolean(),
  words: z.string(),
});
const shelfOf = (clientId: string) =>
  browserShelf<TrayItem[]>({ name: 'tray', subject: clientId, schema: z.array(trayItem).max(mostItems) });

/** What lies in the tray of a client: it stays when another of their requests is opened, so that frames of both meet. */
export const readTray = (clientId: string): TrayItem[] => shelfOf(clientId).read() ?? [];
export const keepTray = (clientId: string, items: readonly TrayItem[]): void => void shelfOf(clientId).put([...items]);
