import { QueryTypes, Transaction } from 'sequelize';
import type { House } from '../house.ts';
import { plain } from '../db/table.ts';
import type { JobRow } from './model.ts';

/** A running job whose heartbeat is older than this is taken from its dead process. */
const staleSeconds = 15;

/** Puts a job on the list; the same job asked for again waits anew with its attempts forgotten. */
export async function enqueueJob(
  house: House,
  kind: JobRow['kind'],
  subjectId: string,
  { transaction, payload = null }: { transaction?: Transaction; payload?: JobRow['payload'] } = {},
): Promise<void> {
  await house.db.sequelize.query(
    `INSERT INTO jobs (id, kind, subject_id, state, attempts, run_after, payload) VALUES (:id, :kind, :subjectId, 'waiting', 0, :now, :payload)
     ON DUPLICATE KEY UPDATE state = 'waiting', attempts = 0, run_after = VALUES(run_after), reason = NULL, payload = VALUES(payload)`,
    {
      replacements: { id: house.newId(), kind, subjectId, now: house.now(), payload: payload && JSON.stringify(payload) },
      type: QueryTypes.RAW,
      ...(transaction && { transaction }),
    },
  );
}

/** Takes a job off the list; a process that is at it stops at its next heartbeat. */
export async function dropJob({ db }: House, kind: JobRow['kind'], subjectId: string, transaction: Transaction): Promise<void> {
  await db.jobs.destroy({ where: { kind, subjectId }, transaction });
}

/**
 * Claims the next due job for `worker`, or one whose process died. Rows locked by other claimers are skipped; READ
 * COMMITTED, since the gap locks of REPEATABLE READ would block inserts.
 */
export function claimJob(house: House, worker: string): Promise<JobRow | null> {
  const { sequelize, jobs } = house.db;
  return sequelize.transaction({ isolationLevel: Transaction.ISOLATION_LEVELS.READ_COMMITTED }, async (transaction) => {
    const now = house.now();
    const rows = await sequelize.query<{ id: string }>(
      `SELECT id FROM jobs WHERE (state = 'waiting' AND run_after <= :now) OR (state = 'running' AND heartbeat_at < :stale)
       ORDER BY run_after LIMIT 1 FOR UPDATE SKIP LOCKED`,
      { replacements: { now, stale: new Date(now.getTime() - staleSeconds * 1000) }, type: QueryTypes.SELECT, transaction },
    );
    const id = rows[0]?.id;
    if (!id) return null;
    await sequelize.query(
      `UPDATE jobs SET state = 'running', attempts = attempts + 1, claimed_by = :worker, heartbeat_at = :now WHERE id = :id`,
      { replacements: { id, worker, now }, type: QueryTypes.RAW, transaction },
    );
    return plain(await jobs.findByPk(id, { transaction }));
  });
}

/** Says that `worker` is still at it. False when the job was taken from it meanwhile. */
export async function beatHeart(house: House, id: string, worker: string): Promise<boolean> {
  const [count] = await house.db.jobs.update({ heartbeatAt: house.now() }, { where: { id, claimedBy: worker, state: 'running' } });
  return count > 0;
}

export async function settleJob(house: House, id: string, worker: string, fields: Partial<JobRow>): Promise<void> {
  await house.db.jobs.update(fields, { where: { id, claimedBy: worker } });
}
