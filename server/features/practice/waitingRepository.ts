import type { RequestKind } from '@lean-mentor/contract';
import { QueryTypes, type Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';

const inside = (transaction?: Transaction) => (transaction ? { transaction } : {});

/** A review that was sent, in minutes of bout and of work. */
export interface PastRow {
  requestId: string;
  kind: RequestKind;
  boutMinutes: number;
  deskMinutes: number;
  /** Whether something was spoken for it. */
  spoken: boolean;
}

/**
 * Reviews that were sent and whose time at the desk was measured, oldest first; the last 300. They are looked for from the last one
 * back, so that a practice of many years asks for no more than a young one.
 */
export async function findPastRows({ db }: House, transaction?: Transaction): Promise<PastRow[]> {
  const rows = await (transaction ? db.sequelize : db.reading).query<{
    requestId: string;
    kind: RequestKind;
    seconds: string;
    boutSeconds: string;
    spoken: number;
  }>(
    `SELECT r.id AS requestId, JSON_VALUE(r.intake, '$.kind') AS kind,
       CAST((SELECT SUM(d.seconds) FROM desk_time d WHERE d.request_id = r.id) AS CHAR) AS seconds,
       CAST((SELECT SUM(f.seconds) FROM footages f WHERE f.request_id = r.id AND f.alignment IS NULL) AS CHAR) AS boutSeconds,
       EXISTS (SELECT 1 FROM takes t WHERE t.request_id = r.id) AS spoken
     FROM requests r FORCE INDEX (requests_last_ready)
     WHERE r.state = 'sent' AND (SELECT 1 FROM desk_time d WHERE d.request_id = r.id LIMIT 1)
     ORDER BY r.ready_at DESC, r.id DESC LIMIT 300`,
    { type: QueryTypes.SELECT, ...inside(transaction) },
  );
  return rows.reverse().map(({ requestId, kind, seconds, boutSeconds, spoken }) => ({
    ...{ requestId, kind, boutMinutes: Number(boutSeconds) / 60, deskMinutes: Number(seconds) / 60, spoken: Boolean(spoken) },
  }));
}

/** Minutes at the desk so far, of some requests. */
export async function findSpentMinutes(
  { db }: House,
  requestIds: readonly string[],
  transaction?: Transaction,
): Promise<Map<string, number>> {
  if (requestIds.length === 0) return new Map();
  const rows = await db.sequelize.query<{ requestId: string; seconds: string }>(
    'SELECT request_id AS requestId, CAST(SUM(seconds) AS CHAR) AS seconds FROM desk_time WHERE request_id IN (:ids) GROUP BY request_id',
    { replacements: { ids: [...requestIds] }, type: QueryTypes.SELECT, ...inside(transaction) },
  );
  return new Map(rows.map((row) => [row.requestId, Number(row.seconds) / 60]));
}

/** A request that waits for the coach. `boutSeconds` is 0 where nothing is known yet. */
export interface WaitingRow {
  id: string;
  clientId: string;
  readyAt: Date;
  dueAt: Date;
  place: number | null;
  kind: RequestKind;
  boutSeconds: number;
  /** What the client said a round is long. */
  lengthMinutes: number | null;
}

/** Every request that waits for the coach; of several cameras one is counted, and nothing that cannot be looked at. */
export async function findWaitingRows({ db }: House, transaction?: Transaction): Promise<WaitingRow[]> {
  const rows = await db.sequelize.query<
    Omit<WaitingRow, 'boutSeconds' | 'lengthMinutes'> & { boutSeconds: string | null; lengthMinutes: string | null }
  >(
    `SELECT r.id, r.client_id AS clientId, COALESCE(r.ready_at, r.sent_at) AS readyAt, r.due_at AS dueAt, r.place,
       JSON_VALUE(r.intake, '$.kind') AS kind, JSON_VALUE(r.intake, '$.lengthMinutes') AS lengthMinutes,
       CAST((SELECT SUM(f.seconds) FROM footages f
         WHERE f.request_id = r.id AND f.alignment IS NULL AND f.state NOT IN ('failed', 'removed')) AS CHAR) AS boutSeconds
     FROM requests r WHERE r.state = 'waiting'`,
    { type: QueryTypes.SELECT, ...inside(transaction) },
  );
  return rows.map((row) => ({
    ...row,
    readyAt: new Date(row.readyAt),
    dueAt: new Date(row.dueAt),
    boutSeconds: Number(row.boutSeconds ?? 0),
    lengthMinutes: row.lengthMinutes === null ? null : Number(row.lengthMinutes),
  }));
}
