import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { createHash } from 'node:crypto';
import { endSessions, sessionsOf } from '../../db/sessionTable.ts';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';

type OwnSession = ResponseOf<typeof contract.listOwnSessions>['sessions'][number];

/** What a session is called on the wire: its own id opens it and is nobody's to see. */
const shownId = (sid: string): string => createHash('sha256').update(sid).digest('hex').slice(0, 32);

export async function listOwnSessions(house: House, accountId: string, here: string): Promise<OwnSession[]> {
  const all = await sessionsOf(house.db.sequelize, accountId);
  return all.map(({ sid, data, expires, createdAt }) => {
    const { browser = 'A browser' } = JSON.parse(data) as { browser?: string };
    return { id: shownId(sid), browser, since: createdAt.toISOString(), until: expires.toISOString(), here: sid === here };
  });
}

export async function endOwnSession(house: House, accountId: string, shown: string): Promise<void> {
  const one = (await sessionsOf(house.db.sequelize, accountId)).find(({ sid }) => shownId(sid) === shown);
  if (!one) throw new ContractError('not-found');
  await endSessions(house.db.sequelize, [one.sid]);
}

/** Ends every session of an account, but for one. */
export async function endSessionsOf(house: House, accountId: string, but: string | null): Promise<void> {
  const all = await sessionsOf(house.db.sequelize, accountId);
  await endSessions(
    house.db.sequelize,
    all.map(({ sid }) => sid).filter((sid) => sid !== but),
  );
}
