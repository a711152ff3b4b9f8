import { QueryTypes, Transaction } from 'sequelize';
import type { House } from '../house/house.ts';
import { plain } from '../db/table.ts';
import type { JobRow } from './model.ts';

/** A running job whose heartbeat is older than this is taken from its dead process. */
const staleSeconds = 15;

/** Puts a job on the list, to be begun at `notBefore`; the same job asked for again waits anew with its attempts forgotten. */
export async function enqueueJob(
  house: House,
  kind: JobRow['kind'],
  subjectId: string,
  {
    transaction,
    payload = null,
    owner = null,
    notBefore = house.now(),
  }: { transaction?: Transaction; payload?: JobRow['payload']; owner?: string | null; notBefore?: Date } = {},
): Promise<void> {
  await house.db.sequelize.query(
    // Footage is its client's, where nobody else is named.
    `INSERT INTO jobs (id, kind, subject_id, state, attempts, run_after, payload, owner) VALUES (:id, :kind, :subjectId, 'waiting', 0, :notBefore, :payload,
       COALESCE(:owner, (SELECT r.client_id FROM footages f JOIN requests r ON r.id = f.request_id WHERE f.id = :subjectId)))
     ON DUPLICATE KEY UPDATE state = 'waiting', attempts = 0, run_after = VALUES(run_after), reason = NULL, payload = VALUES(payload)`,
    {
      replacements: { id: house.newId(), kind, subjectId, notBefore, owner, payload: payload && JSON.stringify(payload) },
      type: QueryTypes.RAW,
      ...(transaction && { transaction }),
    },
  );
}

/** Takes a job off the list; a process that is at it stops at its next heartbeat. */
export async function dropJob({ db }: House, kind: JobRow['kind'], subjectId: string, transaction: Transaction): Promise<void> {
  await db.jobs.destroy({ where: { kind, subjectId }, transaction });
}

/** So many jobs that are due are looked at: others may claim the first of them at the same moment. */
const mostLookedAt = 8;
/** Nothing is put off, and no heart beats, so far ahead, in seconds: the clock was set back, and what it wrote before is due. */
const aheadSeconds = { waiting: 2 * 3600, running: 60 };
const due = `((j.state = 'waiting' AND (j.run_after <= :now OR j.run_after > :tooLate))
  OR (j.state = 'running' AND (j.heartbeat_at < :stale OR j.heartbeat_at > :tooFresh)))`;

/**
 * Claims the next due job of these kinds for `worker`, or one whose process died: first of those of whom the fewest are at work, then
 * the one that has waited longest. A row that is locked by another claimer is passed over; READ COMMITTED, since the gap locks of
 * REPEATABLE READ would block inserts.
 */
export async function claimJob(house: House, worker: string, kinds: readonly JobRow['kind'][]): Promise<JobRow | null> {
  const { sequelize, jobs } = house.db;
  const now = house.now();
  const after = (seconds: number): Date => new Date(now.getTime() + seconds * 1000);
  const limits = { stale: after(-staleSeconds), tooLate: after(aheadSeconds.waiting), tooFresh: after(aheadSeconds.running) };
  const replacements = { now, ...limits, kinds, worker, mostLookedAt };
  const candidates = await sequelize.query<{ id: string }>(
    `SELECT j.id FROM jobs j LEFT JOIN (SELECT owner, COUNT(*) AS many FROM jobs WHERE state = 'running' AND owner IS NOT NULL GROUP BY owner) busy
       ON busy.owner = j.owner
     WHERE j.kind IN (:kinds) AND ${due} ORDER BY COALESCE(busy.many, 0), j.run_after LIMIT :mostLookedAt`,
    { replacements, type: QueryTypes.SELECT },
  );
  for (const { id } of candidates) {
    const claimed = await sequelize.transaction({ isolationLevel: Transaction.ISOLATION_LEVELS.READ_COMMITTED }, async (transaction) => {
      const [row] = await sequelize.query<{ id: string }>(`SELECT j.id FROM jobs j WHERE j.id = :id AND ${due} FOR UPDATE SKIP LOCKED`, {
        replacements: { ...replacements, id },
        type: QueryTypes.SELECT,
        transaction,
      });
      if (!row) return null;
      await sequelize.query(
        `UPDATE jobs SET state = 'running', attempts = attempts + 1, claimed_by = :worker, heartbeat_at = :now WHERE id = :id`,
        { replacements: { ...replacements, id }, type: QueryTypes.RAW, transaction },
      );
      return plain(await jobs.findByPk(id, { transaction }));
    });
    if (claimed) return claimed;
  }
  return null;
}

/** How many jobs of a kind wait before the one of a subject. */
export async function countAhead({ db }: House, kind: JobRow['kind'], subjectId: string): Promise<number> {
  const [row] = await db.sequelize.query<{ ahead: string }>(
    `SELECT CAST(COUNT(*) AS CHAR) AS ahead FROM jobs a JOIN jobs me ON me.kind = :kind AND me.subject_id = :subjectId AND me.state = 'waiting'
     WHERE a.kind = :kind AND a.state = 'waiting' AND (a.run_after < me.run_after OR (a.run_after = me.run_after AND a.id < me.id))`,
    { replacements: { kind, subjectId }, type: QueryTypes.SELECT },
  );
  return Number(row?.ahead ?? 0);
}

/** Says that `worker` is still at it. False when the job was taken from it meanwhile. */
export async function beatHeart(house: House, id: string, worker: string): Promise<boolean> {
  const [count] = await house.db.jobs.update({ heartbeatAt: house.now() }, { where: { id, claimedBy: worker, state: 'running' } });
  return count > 0;
}

export async function settleJob(house: House, id: string, worker: string, fields: Partial<JobRow>): Promise<void> {
  await house.db.jobs.update(fields, { where: { id, claimedBy: worker } });
}
