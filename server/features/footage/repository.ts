import type { Footage, FootageProgress } from '@lean-mentor/contract';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house.ts';
import type { BoutRow, FootageRow } from './model.ts';

export const progressOf = (row: FootageRow): FootageProgress => ({
  id: row.id,
  requestId: row.requestId,
  state: row.state,
  step: row.step,
  share: row.share,
  secondsLeft: row.secondsLeft,
  failure: row.failure,
});

const footageOf = (row: FootageRow, bouts: BoutRow[]): Footage => ({
  ...progressOf(row),
  fileName: row.fileName,
  byteSize: Number(row.byteSize),
  width: row.width,
  height: row.height,
  frameCount: row.frameCount,
  seconds: row.seconds,
  advice: row.advice ?? [],
  bouts: bouts.filter((b) => b.footageId === row.id).map(({ id, fromFrame, toFrame, spans }) => ({ id, fromFrame, toFrame, spans })),
});

export const findFootage = async ({ db }: House, id: string): Promise<FootageRow | null> => plain(await db.footages.findByPk(id));

export const findFootageByUpload = async ({ db }: House, uploadId: string): Promise<FootageRow | null> =>
  plain(await db.footages.findOne({ where: { uploadId } }));

/** Footages of requests, with their bouts, by request id. */
export async function findFootagesOfRequests({ db }: House, requestIds: string[]): Promise<Map<string, Footage>> {
  const rows = plainAll(await db.footages.findAll({ where: { requestId: requestIds } }));
  const bouts = plainAll(await db.bouts.findAll({ where: { footageId: rows.map((r) => r.id) }, order: [['fromFrame', 'ASC']] }));
  return new Map(rows.map((row) => [row.requestId, footageOf(row, bouts)]));
}

/** Footages changed since an instant, oldest change first. */
export const findFootagesChangedSince = async ({ db }: House, since: Date): Promise<FootageRow[]> =>
  plainAll(await db.footages.findAll({ where: { changedAt: { [Op.gt]: since } }, order: [['changedAt', 'ASC']], limit: 500 }));

export async function insertFootage({ db }: House, row: FootageRow, transaction?: Transaction): Promise<void> {
  await db.footages.create(row, { ...(transaction && { transaction }) });
}

/** Changes a footage and stamps the change, so that watchers hear of it. */
export async function changeFootage({ db, now }: House, id: string, fields: Partial<FootageRow>, transaction?: Transaction): Promise<void> {
  await db.footages.update({ ...fields, changedAt: now() }, { where: { id }, ...(transaction && { transaction }) });
}

export async function insertBout({ db }: House, row: BoutRow, transaction?: Transaction): Promise<void> {
  await db.bouts.create(row, { ...(transaction && { transaction }) });
}

export const countBouts = ({ db }: House, footageId: string): Promise<number> => db.bouts.count({ where: { footageId } });

/** The client whose footage it is. */
export async function clientOfFootage({ db }: House, footageId: string): Promise<string | null> {
  const rows = await db.sequelize.query<{ clientId: string }>(
    'SELECT r.client_id AS clientId FROM footages f JOIN requests r ON r.id = f.request_id WHERE f.id = :footageId',
    { replacements: { footageId }, type: QueryTypes.SELECT },
  );
  return rows[0]?.clientId ?? null;
}
