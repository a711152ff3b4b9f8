import type { Bout, Footage, FootageProgress } from '@lean-mentor/contract';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { BoutRow, FootageRow } from './model.ts';

/** What can be looked at of a footage while the rest is being made ready. */
const soFarOf = ({ state, edition, editionSeconds }: FootageRow): FootageProgress['soFar'] =>
  (state === 'waiting' || state === 'working') && edition > 0 ? { edition, seconds: editionSeconds ?? 0 } : null;

export const progressOf = (row: FootageRow): FootageProgress => ({
  id: row.id,
  requestId: row.requestId,
  state: row.state,
  step: row.step,
  share: row.share,
  secondsLeft: row.secondsLeft,
  failure: row.failure,
  retryHelps: row.retryHelps,
  soFar: soFarOf(row),
});

export const boutOf = ({ footageId: _footageId, timed: _timed, changedBy: _changedBy, ...bout }: BoutRow): Bout => bout;

export const footageOf = (row: FootageRow, bouts: BoutRow[]): Footage => ({
  ...progressOf(row),
  fileName: row.fileName,
  byteSize: Number(row.byteSize),
  width: row.width,
  height: row.height,
  frameCount: row.frameCount,
  seconds: row.seconds,
  advice: row.advice ?? [],
  bouts: bouts.filter((b) => b.footageId === row.id).map(boutOf),
  alignment: row.alignment,
  released: row.released,
});

export const findFootage = async ({ db }: House, id: string, transaction?: Transaction): Promise<FootageRow | null> =>
  plain(await db.footages.findByPk(id, { ...(transaction && { transaction }) }));

export const findFootageByUpload = async ({ db }: House, uploadId: string): Promise<FootageRow | null> =>
  plain(await db.footages.findOne({ where: { uploadId } }));

/** Footages of requests, with their bouts, by request id, in their order. */
export async function findFootagesOfRequests({ db }: House, requestIds: string[]): Promise<Map<string, Footage[]>> {
  const rows = plainAll(await db.footages.findAll({ where: { requestId: requestIds }, order: [['position', 'ASC']] }));
  const bouts = plainAll(await db.bouts.findAll({ where: { footageId: rows.map((r) => r.id) }, order: [['fromFrame', 'ASC']] }));
  const byRequest = new Map<string, Footage[]>(requestIds.map((id) => [id, []]));
  for (const row of rows) byRequest.get(row.requestId)?.push(footageOf(row, bouts));
  return byRequest;
}

/** Footages by their ids, with their bouts. */
export async function findFootages({ db }: House, ids: readonly string[]): Promise<Footage[]> {
  const rows = plainAll(await db.footages.findAll({ where: { id: [...ids] } }));
  const bouts = plainAll(await db.bouts.findAll({ where: { footageId: [...ids] }, order: [['fromFrame', 'ASC']] }));
  return rows.map((row) => footageOf(row, bouts));
}

export const findFootageRows = async ({ db }: House, requestId: string, transaction?: Transaction): Promise<FootageRow[]> =>
  plainAll(await db.footages.findAll({ where: { requestId }, order: [['position', 'ASC']], ...(transaction && { transaction }) }));

/** Footages changed since an instant, oldest change first. */
export const findFootagesChangedSince = async ({ db }: House, since: Date): Promise<FootageRow[]> =>
  plainAll(await db.footages.findAll({ where: { changedAt: { [Op.gt]: since } }, order: [['changedAt', 'ASC']], limit: 500 }));

export async function insertFootage({ db }: House, row: FootageRow, transaction?: Transaction): Promise<void> {
  await db.footages.create(row, { ...(transaction && { transaction }) });
}

/** Changes a footage and stamps the change, so that watchers hear of it. What has been removed stays removed. */
export async function changeFootage({ db, now }: House, id: string, fields: Partial<FootageRow>, transaction?: Transaction): Promise<void> {
  await db.footages.update(
    { ...fields, changedAt: now() },
    { where: { id, state: { [Op.ne]: 'removed' } }, ...(transaction && { transaction }) },
  );
}

export async function insertBout({ db }: House, row: BoutRow, transaction?: Transaction): Promise<void> {
  await db.bouts.create({ ...row, version: Math.max(1, row.version) }, { ...(transaction && { transaction }) });
}

export const findBout = async ({ db }: House, id: string, transaction?: Transaction): Promise<BoutRow | null> =>
  plain(await db.bouts.findByPk(id, { ...(transaction && { transaction }) }));

export const findBoutsOfFootage = async ({ db }: House, footageId: string, transaction: Transaction): Promise<BoutRow[]> =>
  plainAll(await db.bouts.findAll({ where: { footageId }, transaction }));

export async function changeBout({ db }: House, id: string, fields: Partial<BoutRow>, transaction?: Transaction): Promise<void> {
  await db.bouts.update(fields, { where: { id }, ...(transaction && { transaction }) });
}

export async function deleteBout({ db }: House, id: string, transaction: Transaction): Promise<void> {
  await db.bouts.destroy({ where: { id }, transaction });
}

/** Those of a request's bouts that somebody has coded at the desk, or corrected the score of. */
export async function findBoutsCodedAtDesk({ db }: House, requestId: string, transaction: Transaction): Promise<Set<string>> {
  const rows = await db.sequelize.query<{ boutId: string }>(
    `SELECT DISTINCT JSON_VALUE(thing, '$.boutId') AS boutId FROM desk_things WHERE request_id = :requestId AND entity IN ('coding', 'override')`,
    { replacements: { requestId }, type: QueryTypes.SELECT, transaction },
  );
  return new Set(rows.map(({ boutId }) => boutId));
}

/** Whether a footage has bouts, or something stands on it that was written at the desk. */
export async function isWrittenOn({ db }: House, footageId: string): Promise<boolean> {
  const on = ['bouts', 'marks', 'notes', 'drawings'].map((table) => `EXISTS (SELECT 1 FROM ${table} WHERE footage_id = :footageId)`);
  const [row] = await db.sequelize.query<{ written: number }>(`SELECT ${on.join(' OR ')} AS written`, {
    replacements: { footageId },
    type: QueryTypes.SELECT,
  });
  return Boolean(row!.written);
}

export const countBouts = ({ db }: House, footageId: string, transaction: Transaction): Promise<number> =>
  db.bouts.count({ where: { footageId }, transaction });

/** Bytes of footage that a request and a client have here, announced or arrived, and how many of all clients are still to arrive. */
export async function sumBytes(
  { db }: House,
  requestId: string,
  clientId: string,
  transaction: Transaction,
): Promise<{ ofRequest: number; ofClient: number; arriving: number }> {
  const sum = (words: string): string => `CAST((SELECT COALESCE(SUM(f.byte_size), 0) FROM footages f ${words}) AS CHAR)`;
  const [row] = await db.sequelize.query<Record<'ofRequest' | 'ofClient' | 'arriving', string>>(
    `SELECT ${sum(`WHERE f.request_id = :requestId AND f.state <> 'removed'`)} AS ofRequest,
       ${sum(`JOIN requests r ON r.id = f.request_id WHERE r.client_id = :clientId AND f.state <> 'removed'`)} AS ofClient,
       ${sum(`WHERE f.state = 'uploading' AND f.changed_at > :since`)} AS arriving`,
    { replacements: { requestId, clientId, since: new Date(Date.now() - announcedMs) }, type: QueryTypes.SELECT, transaction },
  );
  return { ofRequest: Number(row!.ofRequest), ofClient: Number(row!.ofClient), arriving: Number(row!.arriving) };
}

/** A file that was announced has its room kept for so long, in ms. */
const announcedMs = 24 * 3600_000;

/** Footages that are done with, one way or the other, before an instant, and of which editions are still kept. */
export const findWithEditions = async ({ db }: House, before: Date): Promise<FootageRow[]> =>
  plainAll(
    await db.footages.findAll({
      where: { edition: { [Op.gt]: 0 }, state: ['ready', 'failed'], changedAt: { [Op.lt]: before } },
      limit: 500,
    }),
  );

/** Footages whose bytes have been on their way for longer than this. */
export const findLongUploading = async ({ db }: House, before: Date): Promise<FootageRow[]> =>
  plainAll(await db.footages.findAll({ where: { state: 'uploading', changedAt: { [Op.lt]: before } }, limit: 500 }));

/** Takes a footage out of the rows altogether. */
export async function deleteFootage({ db }: House, id: string, transaction: Transaction): Promise<void> {
  await db.footages.destroy({ where: { id }, transaction });
}

/** Lets all footage of a request go: the coaching side may see it from now on, and those of it who watch are told. */
export async function releaseFootages({ db, now }: House, requestId: string, transaction: Transaction): Promise<void> {
  await db.footages.update({ released: true, changedAt: now() }, { where: { requestId, released: false }, transaction });
}

/** A footage that may be laid beside others of its client, and when its request was sent. */
export interface OwnFootage {
  id: string;
  requestId: string;
  sentAt: Date;
  width: number | null;
  height: number | null;
}

/** Of some footages those that can be shown to the client whose request this is: their own, and made ready. */
export const findOwnFootage = async ({ db }: House, requestId: string, ids: readonly string[]): Promise<OwnFootage[]> =>
  ids.length === 0
    ? []
    : db.sequelize.query(
        `SELECT f.id, f.width, f.height, r.id AS requestId, r.sent_at AS sentAt FROM footages f JOIN requests r ON r.id = f.request_id
         JOIN requests own ON own.id = :requestId AND own.client_id = r.client_id WHERE f.id IN (:ids) AND f.state = 'ready'`,
        { replacements: { requestId, ids }, type: QueryTypes.SELECT },
      );
