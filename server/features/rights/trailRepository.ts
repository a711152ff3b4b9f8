import { mostTrail, type TrailEntry } from '@lean-mentor/contract';
import { plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { TrailRow } from './model.ts';

/** Notes it once; a client who was removed meanwhile leaves no trail. */
export async function insertTrail({ db }: House, row: TrailRow): Promise<void> {
  await db.trail.bulkCreate([row], { ignoreDuplicates: true });
}

/** What was noted of a client, newest first. */
export async function findTrail({ db }: House, clientId: string): Promise<{ entries: TrailEntry[]; more: boolean }> {
  const rows = plainAll(
    await db.trail.findAll({
      where: { clientId },
      order: [
        ['hourAt', 'DESC'],
        ['byName', 'ASC'],
        ['room', 'ASC'],
      ],
      limit: mostTrail + 1,
    }),
  );
  return {
    entries: rows.slice(0, mostTrail).map(({ byName, byRole, room, changed, aboutId, hourAt }) => ({
      ...{ who: byName, role: byRole, room, changed: Boolean(changed), hourAt: hourAt.toISOString() },
      requestId: aboutId === clientId ? null : aboutId,
    })),
    more: rows.length > mostTrail,
  };
}
