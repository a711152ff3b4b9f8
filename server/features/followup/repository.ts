import type { ThreadRequest } from '@lean-mentor/core/followup';
import { QueryTypes } from 'sequelize';
import type { House } from '../../house.ts';

/** A reviewed request of a client: what its notes name, and what was sent. */
export type ReviewedRequest = Pick<ThreadRequest, 'requestId' | 'sentAt' | 'notes' | 'sent'> & {
  /** Of its footage, a second camera left out. */
  footageSeconds: number;
};

function byRequest<T extends { requestId: string }>(rows: readonly T[]): (requestId: string) => T[] {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const group = groups.get(row.requestId);
    if (group) group.push(row);
    else groups.set(row.requestId, [row]);
  }
  return (requestId) => groups.get(requestId) ?? [];
}

/** Requests of a client whose critique stands, sent before an instant, oldest first; with the notes that these readers may read. */
export async function findReviewed(
  { db }: House,
  clientId: string,
  before: Date,
  readers: 'coaching' | 'client',
): Promise<ReviewedRequest[]> {
  const select = <T extends object>(sql: string): Promise<T[]> =>
    db.sequelize.query<T>(sql, { replacements: { clientId, before }, type: QueryTypes.SELECT });
  // From the client's requests on, always: left to the database, every call was three to five times slower right after a large filling.
  const from = `FROM requests r JOIN critiques c ON c.request_id = r.id AND c.sent_at IS NOT NULL`;
  const where = 'WHERE r.client_id = :clientId AND r.sent_at < :before';
  const [requests, notes, fixes] = await Promise.all([
    select<{ id: string; sentAt: Date; seconds: number | null }>(
      `SELECT STRAIGHT_JOIN r.id, r.sent_at AS sentAt, (SELECT SUM(f.seconds) FROM footages f WHERE f.request_id = r.id AND f.alignment IS NULL) AS seconds
       ${from} ${where} ORDER BY r.sent_at`,
    ),
    select<{ requestId: string } & ThreadRequest['notes'][number]>(
      `SELECT STRAIGHT_JOIN n.request_id AS requestId, n.principle_id AS principleId, n.kind, n.athlete ${from} JOIN notes n ON n.request_id = r.id
       ${where} AND n.principle_id IS NOT NULL${readers === 'client' ? " AND n.visible = 'client'" : ''}`,
    ),
    select<{ requestId: string; principleId: string }>(
      `SELECT STRAIGHT_JOIN r.id AS requestId, s.principle_id AS principleId ${from} JOIN sent_fixes s ON s.critique_id = c.id
       ${where} AND s.principle_id IS NOT NULL ORDER BY s.position`,
    ),
  ]);
  const [notesOf, fixesOf] = [byRequest(notes), byRequest(fixes)];
  return requests.map(({ id, sentAt, seconds }) => ({
    requestId: id,
    sentAt: sentAt.toISOString(),
    footageSeconds: Number(seconds ?? 0),
    notes: notesOf(id).map(({ principleId, kind, athlete }) => ({ principleId, kind, athlete })),
    sent: fixesOf(id).map(({ principleId }) => principleId),
  }));
}
