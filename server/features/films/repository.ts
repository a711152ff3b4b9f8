import { Op, type Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { FilmRow } from './model.ts';

export const findFilm = async ({ db }: House, id: string): Promise<FilmRow | null> => plain(await db.films.findByPk(id));

/** What was asked for of a take, the newest first: sent in a version since that was sent, or from the desk. */
export const findFilms = async (
  { db }: House,
  { takeId, critiqueId, version, place }: Pick<FilmRow, 'takeId' | 'critiqueId' | 'version' | 'place'>,
  since: Date,
): Promise<FilmRow[]> =>
  plainAll(
    await db.films.findAll({
      where: { takeId, critiqueId, version, place, askedAt: { [Op.gte]: since } },
      order: [['askedAt', 'DESC']],
      limit: 50,
    }),
  );

/** How many films of somebody are not ready yet. */
export const countUnfinished = ({ db }: House, askedBy: string): Promise<number> =>
  db.films.count({ where: { askedBy, state: ['waiting', 'making'] } });

export async function insertFilm({ db }: House, row: FilmRow, transaction: Transaction): Promise<void> {
  await db.films.create(row, { transaction });
}

export async function changeFilm({ db }: House, id: string, fields: Partial<FilmRow>, transaction?: Transaction): Promise<void> {
  await db.films.update(fields, { where: { id }, ...(transaction && { transaction }) });
}

/** What its job says of it; one that was stopped meanwhile stays so. */
export async function changeMaking({ db }: House, id: string, fields: Partial<FilmRow>): Promise<void> {
  await db.films.update(fields, { where: { id, state: ['waiting', 'making'] } });
}

/** Films that were made, or given up, before an instant. */
export const findFilmsBefore = async ({ db }: House, state: FilmRow['state'][], before: Date): Promise<FilmRow[]> =>
  plainAll(await db.films.findAll({ where: { state, askedAt: { [Op.lt]: before } }, limit: 500 }));

export async function deleteFilm({ db }: House, id: string): Promise<void> {
  await db.films.destroy({ where: { id } });
}
