import type { Retention } from '@lean-mentor/contract';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { changeSetting, findSetting } from '../../db/versionedSetting.ts';
import type { House } from '../../house/house.ts';

const settingName = 'retention';
interface RetentionSetting {
  retention: Retention;
  revision: number;
}
/** Until a coach says otherwise nothing that somebody wrote or sent is removed on its own. */
const starting: RetentionSetting = { retention: { drafts: null, footage: null, letters: null, trail: 12 }, revision: 0 };

export const findRetention = (house: House): Promise<RetentionSetting> => findSetting(house, settingName, starting);
export const changeRetention = (house: House, retention: Retention, knownRevision: number): Promise<boolean> =>
  changeSetting(house, settingName, starting, () => ({ retention }), knownRevision);

/** Since when footage has not been worked on: the last version of its critique, or that it was withdrawn. */
const restsSince = `COALESCE((SELECT MAX(v.sent_at) FROM critique_versions v JOIN critiques k ON k.id = v.critique_id WHERE k.request_id = r.id),
  r.consent_withdrawn_at, r.ready_at, r.sent_at)`;
const restingFootage = `FROM footages f JOIN requests r ON r.id = f.request_id
  WHERE r.state IN ('sent', 'withdrawn') AND f.state <> 'removed' AND ${restsSince} < :before`;

/** Footage that nobody has worked on since an instant, the oldest first. */
export const findRestingFootage = ({ db }: House, before: Date, limit: number): Promise<{ id: string; requestId: string }[]> =>
  db.sequelize.query(`SELECT f.id, f.request_id AS requestId ${restingFootage} ORDER BY ${restsSince}, f.id LIMIT :limit`, {
    replacements: { before, limit },
    type: QueryTypes.SELECT,
  });

/** Whether one still rests, asked in the transaction that removes it. */
export async function stillRests({ db }: House, footageId: string, before: Date, transaction: Transaction): Promise<boolean> {
  const rows = await db.sequelize.query(`SELECT f.id ${restingFootage} AND f.id = :footageId`, {
    replacements: { before, footageId },
    type: QueryTypes.SELECT,
    transaction,
  });
  return rows.length > 0;
}

export async function countRestingFootage({ db }: House, before: Date): Promise<{ many: number; bytes: number }> {
  const [row] = await db.sequelize.query<{ many: string; bytes: string | null }>(
    `SELECT CAST(COUNT(*) AS CHAR) AS many, CAST(SUM(f.byte_size) AS CHAR) AS bytes ${restingFootage}`,
    { replacements: { before }, type: QueryTypes.SELECT },
  );
  return { many: Number(row?.many ?? 0), bytes: Number(row?.bytes ?? 0) };
}

const oldDrafts = (before: Date) => ({ where: { state: 'draft' as const, sentAt: { [Op.lt]: before } } });
export const countOldDrafts = ({ db }: House, before: Date): Promise<number> => db.requests.count(oldDrafts(before));
export const findOldDrafts = async ({ db }: House, before: Date, limit: number): Promise<string[]> =>
  (await db.requests.findAll({ ...oldDrafts(before), attributes: ['id'], limit })).map((row) => row.get('id') as string);

const oldLetters = (before: Date) => ({ where: { writtenAt: { [Op.lt]: before } } });
export const countOldLetters = ({ db }: House, before: Date): Promise<number> => db.letters.count(oldLetters(before));
export const deleteOldLetters = ({ db }: House, before: Date): Promise<number> => db.letters.destroy(oldLetters(before));

const oldTrail = (before: Date) => ({ where: { hourAt: { [Op.lt]: before } } });
export const countOldTrail = ({ db }: House, before: Date): Promise<number> => db.trail.count(oldTrail(before));
export const deleteOldTrail = ({ db }: House, before: Date): Promise<number> => db.trail.destroy(oldTrail(before));
