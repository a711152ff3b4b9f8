import type { House } from '../../house/house.ts';
import type { CritiqueRow } from './model.ts';

/** A version can be taken back for so long after it was sent, in ms. */
const takeBackMs = 10 * 60_000;

/** Until when the version that stands can be taken back; null when it cannot any more. */
export function takeBackUntil({ now }: House, { sentAt }: Pick<CritiqueRow, 'sentAt'>): string | null {
  const until = sentAt && sentAt.getTime() + takeBackMs;
  return until && until > now().getTime() ? new Date(until).toISOString() : null;
}
