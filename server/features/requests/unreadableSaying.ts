import type { Saying } from '@lean-mentor/contract';
import type { House } from '../../house/house.ts';
import type { FootageRow } from '../footage/index.ts';

/** Whether a footage can never be looked at: making it ready failed, and it is the file's fault. */
export const isUnreadable = ({ state, retryHelps }: Pick<FootageRow, 'state' | 'retryHelps'>): boolean => state === 'failed' && !retryHelps;

/** Says in the exchange of a request why none of it can be looked at. No person says it. */
export function unreadableSaying({ now }: House, failure: string): Saying {
  return { at: now().toISOString(), byName: 'Lean Mentor', byRole: 'coach', kind: 'unreadable', words: failure };
}
