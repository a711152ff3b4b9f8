import type { RequestKind } from '@lean-mentor/contract';
import { QueryTypes } from 'sequelize';
import type { House } from '../../house/house.ts';
import { plain } from '../../db/table.ts';
import type { CalendarLinkRow, DeskTimeRow } from './model.ts';

/** Keeps seconds at the desk; of a minute that was told before, the greater number. */
export async function putDeskTime({ db }: House, rows: readonly DeskTimeRow[]): Promise<void> {
  await db.sequelize.query(
    `INSERT INTO desk_time (account_id, minute_at, request_id, seconds) VALUES ${rows.map((_, i) => `(:account${i}, :minute${i}, :request${i}, :seconds${i})`).join(', ')}
     ON DUPLICATE KEY UPDATE seconds = GREATEST(seconds, VALUES(seconds))`,
    {
      replacements: Object.fromEntries(
        rows.flatMap(({ accountId, minuteAt, requestId, seconds }, i) => [
          [`account${i}`, accountId],
          [`minute${i}`, minuteAt],
          [`request${i}`, requestId],
          [`seconds${i}`, seconds],
        ]),
      ),
      type: QueryTypes.RAW,
    },
  );
}

export interface PromiseRow {
  requestId: string;
  clientName: string;
  readyAt: Date;
  saidByAt: Date | null;
  dueAt: Date;
  movedAt: Date | null;
  sentAt: Date | null;
}

/** What was promised of requests whose clock began, newest first, at most 500, with when the first critique was sent. */
export const findPromises = async ({ db }: House): Promise<PromiseRow[]> =>
  db.sequelize.query<PromiseRow>(
    `SELECT r.id AS requestId, c.name AS clientName, r.ready_at AS readyAt, r.said_by_at AS saidByAt, r.due_at AS dueAt,
       r.promise_moved_at AS movedAt,
       (SELECT MIN(v.sent_at) FROM critiques k JOIN critique_versions v ON v.critique_id = k.id WHERE k.request_id = r.id) AS sentAt
     FROM requests r JOIN clients c ON c.id = r.client_id
     WHERE r.ready_at IS NOT NULL AND r.state IN ('waiting', 'need-first', 'sent') ORDER BY r.ready_at DESC, r.id LIMIT 500`,
    { type: QueryTypes.SELECT },
  );

/** A request that became ready, with the plan it was taken from. */
export interface CameIn {
  planId: string | null;
  kind: RequestKind;
  boutSeconds: number;
  deskSeconds: number;
}

/** What became ready since an instant. */
export async function findCameIn({ db }: House, since: Date): Promise<CameIn[]> {
  const rows = await db.sequelize.query<
    Omit<CameIn, 'boutSeconds' | 'deskSeconds'> & { boutSeconds: string | null; deskSeconds: string | null }
  >(
    `SELECT m.plan_id AS planId, JSON_VALUE(r.intake, '$.kind') AS kind,
       CAST((SELECT SUM(f.seconds) FROM footages f WHERE f.request_id = r.id AND f.alignment IS NULL) AS CHAR) AS boutSeconds,
       CAST((SELECT SUM(d.seconds) FROM desk_time d WHERE d.request_id = r.id) AS CHAR) AS deskSeconds
     FROM requests r LEFT JOIN memberships m ON m.id = r.membership_id
     WHERE r.ready_at >= :since AND r.state IN ('waiting', 'need-first', 'sent') LIMIT 20000`,
    { replacements: { since }, type: QueryTypes.SELECT },
  );
  return rows.map((row) => ({ ...row, boutSeconds: Number(row.boutSeconds ?? 0), deskSeconds: Number(row.deskSeconds ?? 0) }));
}

/** Weeks that are looked back on for seasons: four years. */
const seasonWeeks = 208;

/** How many requests became ready in each of the weeks that end now, since the first one, oldest first. */
export async function countByWeek({ db }: House, now: Date): Promise<number[]> {
  const rows = await db.sequelize.query<{ ago: number; many: string }>(
    `SELECT FLOOR(TIMESTAMPDIFF(SECOND, ready_at, :now) / 604800) AS ago, CAST(COUNT(*) AS CHAR) AS many FROM requests
     WHERE ready_at > :now - INTERVAL ${seasonWeeks} WEEK AND ready_at <= :now AND state IN ('waiting', 'need-first', 'sent') GROUP BY 1`,
    { replacements: { now }, type: QueryTypes.SELECT },
  );
  const counts = new Array<number>(rows.reduce((most, { ago }) => Math.max(most, Number(ago) + 1), 0)).fill(0);
  for (const { ago, many } of rows) counts[counts.length - 1 - Number(ago)] = Number(many);
  return counts;
}

export const countClients = ({ db }: House): Promise<number> => db.clients.count();

/** Who worked at the desk since an instant, most first. One whose sign-in is gone is told as such. */
export async function findHands({ db }: House, since: Date): Promise<{ name: string; hours: number; requests: number }[]> {
  const rows = await db.sequelize.query<{ name: string | null; seconds: string; requests: string }>(
    `SELECT a.name, CAST(SUM(d.seconds) AS CHAR) AS seconds, CAST(COUNT(DISTINCT d.request_id) AS CHAR) AS requests
     FROM desk_time d LEFT JOIN accounts a ON a.id = d.account_id WHERE d.minute_at >= :since GROUP BY a.id, a.name ORDER BY SUM(d.seconds) DESC`,
    { replacements: { since }, type: QueryTypes.SELECT },
  );
  return rows.map(({ name, seconds, requests }) => ({
    ...{ name: name ?? 'Somebody who left', hours: Number(seconds) / 3600, requests: Number(requests) },
  }));
}

export const findCalendarLink = async ({ db }: House, accountId: string): Promise<CalendarLinkRow | null> =>
  plain(await db.calendarLinks.findByPk(accountId));

export const findCalendarLinkByDigest = async ({ db }: House, digest: string): Promise<CalendarLinkRow | null> =>
  plain(await db.calendarLinks.findOne({ where: { digest } }));

export async function putCalendarLink({ db }: House, row: CalendarLinkRow): Promise<void> {
  await db.calendarLinks.upsert(row);
}

export async function deleteCalendarLink({ db }: House, accountId: string): Promise<void> {
  await db.calendarLinks.destroy({ where: { accountId } });
}

/** Notes that an address was read. */
export async function readCalendarLink({ db, now }: House, accountId: string): Promise<void> {
  await db.calendarLinks.update({ readAt: now() }, { where: { accountId } });
}

export async function findClientNames({ db }: House, ids: readonly string[]): Promise<Map<string, string>> {
  if (ids.length === 0) return new Map();
  const rows = await db.sequelize.query<{ id: string; name: string }>('SELECT id, name FROM clients WHERE id IN (:ids)', {
    replacements: { ids: [...new Set(ids)] },
    type: QueryTypes.SELECT,
  });
  return new Map(rows.map(({ id, name }) => [id, name]));
}
