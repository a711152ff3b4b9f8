import type { Account, Operation } from '@lean-mentor/contract';
import { startOfHour } from 'date-fns';
import type { House } from '../../house/house.ts';
import type { Belonging } from '../access/index.ts';
import { insertTrail } from './trailRepository.ts';

/** What this process has noted in the present hour, by house: each is one row, however often it was looked at. */
const noted = new WeakMap<object, { hour: number; keys: Set<string> }>();

function firstThisHour(house: House, hour: number, key: string): boolean {
  const here = noted.get(house.db);
  const keys = here?.hour === hour ? here.keys : new Set<string>();
  if (keys !== here?.keys) noted.set(house.db, { hour, keys });
  const first = !keys.has(key);
  keys.add(key);
  return first;
}

/**
 * Notes that somebody looked at what an address names, or changed it: who, in which room, of which request, in which hour. Every operation
 * passes here, so that none can forget it. What clients do with their own is theirs, and not noted.
 */
export async function leaveTrail(
  house: House,
  account: Account,
  { room, method }: Pick<Operation, 'room' | 'method'>,
  belongings: readonly Belonging[],
): Promise<void> {
  if (account.role === 'client') return;
  const changed = !['get', 'head', 'options'].includes(method);
  const hourAt = startOfHour(house.now());
  for (const { clientId, requestId } of belongings) {
    const aboutId = requestId ?? clientId;
    if (!firstThisHour(house, hourAt.getTime(), [account.id, clientId, aboutId, room, changed].join(' '))) continue;
    await insertTrail(house, {
      clientId,
      hourAt,
      accountId: account.id,
      aboutId,
      room,
      changed,
      byName: account.name,
      byRole: account.role,
    });
  }
}
