import type { Account, Operation } from '@lean-mentor/contract';
import { startOfHour } from 'date-fns';
import type { House } from '../../house/house.ts';
import { saysNoRoom } from '../../storage/room.ts';
import type { Belonging } from '../access/index.ts';
import { insertTrail } from './trailRepository.ts';

/** What this process has noted in the present hour, by house: each is one row, however often it was looked at. */
const noted = new WeakMap<object, { hour: number; keys: Set<string> }>();

function notedInHour(house: House, hour: number): Set<string> {
  const here = noted.get(house.db);
  if (here?.hour === hour) return here.keys;
  const keys = new Set<string>();
  noted.set(house.db, { hour, keys });
  return keys;
}

/**
 * Notes that somebody looked at what an address names, or changed it: who, in which room, of which request, in which hour. Every operation
 * passes here, so that none can forget it. What clients do with their own is theirs, and not noted. On a full disk reading goes on: it is
 * noted by the next look for which there is room.
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
  const keys = notedInHour(house, hourAt.getTime());
  for (const { clientId, requestId } of belongings) {
    const aboutId = requestId ?? clientId;
    const key = [account.id, clientId, aboutId, room, changed].join(' ');
    if (keys.has(key)) continue;
    const row = { clientId, hourAt, accountId: account.id, aboutId, room, changed, byName: account.name, byRole: account.role };
    try {
      await insertTrail(house, row);
      keys.add(key);
    } catch (error) {
      if (!saysNoRoom(error)) throw error;
      house.log.warn({ err: error }, 'a look was not noted: the disk is full');
    }
  }
}
