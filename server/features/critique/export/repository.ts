import { Op, type Transaction } from 'sequelize';
import { plain, plainAll } from '../../../db/table.ts';
import type { House } from '../../../house/house.ts';
import type { ExportRow } from '../model.ts';

export const findExport = async ({ db }: House, id: string): Promise<ExportRow | null> => plain(await db.exports.findByPk(id));

/** The newest export of these that was not given up, made since the version was sent: one that was taken back may have had its number. */
export const findSameExport = async (
  { db }: House,
  { critiqueId, version, form, askedBy }: Pick<ExportRow, 'critiqueId' | 'version' | 'form' | 'askedBy'>,
  sentAt: Date,
): Promise<ExportRow | null> =>
  plain(
    await db.exports.findOne({
      where: { critiqueId, version, form, askedBy, state: ['waiting', 'ready'], askedAt: { [Op.gte]: sentAt } },
      order: [['askedAt', 'DESC']],
    }),
  );

export const countWaitingExports = ({ db }: House, askedBy: string): Promise<number> =>
  db.exports.count({ where: { askedBy, state: 'waiting' } });

export const findExportsBefore = async ({ db }: House, before: Date): Promise<ExportRow[]> =>
  plainAll(await db.exports.findAll({ where: { askedAt: { [Op.lt]: before } }, limit: 500 }));

export async function insertExport({ db }: House, row: ExportRow, transaction: Transaction): Promise<void> {
  await db.exports.create(row, { transaction });
}

export async function changeExport({ db }: House, id: string, fields: Partial<ExportRow>): Promise<void> {
  await db.exports.update(fields, { where: { id } });
}

export async function deleteExport({ db }: House, id: string): Promise<void> {
  await db.exports.destroy({ where: { id } });
}
