import { plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';

/** When each thread of a client was closed, by principle. */
export async function findClosedThreads({ db }: House, clientId: string): Promise<Map<string, Date>> {
  const rows = plainAll(await db.closedThreads.findAll({ where: { clientId } }));
  return new Map(rows.map(({ principleId, closedAt }) => [principleId, closedAt]));
}

/** Closes a thread, once, or opens it again. */
export async function setThreadClosed({ db, now }: House, clientId: string, principleId: string, closed: boolean): Promise<void> {
  if (closed) await db.closedThreads.bulkCreate([{ clientId, principleId, closedAt: now() }], { ignoreDuplicates: true });
  else await db.closedThreads.destroy({ where: { clientId, principleId } });
}
