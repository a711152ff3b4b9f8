import { deskItems } from '@lean-mentor/contract';
import type { DeskEntity } from '@lean-mentor/core/desk';
import type { Order, Transaction } from 'sequelize';
import { plain, plainAll, type Table } from '../../db/table.ts';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';

export type Fields = Readonly<Record<string, unknown>>;
/** A thing as it stands, and the request it belongs to; null for what belongs to all. */
export interface Found {
  requestId: string | null;
  thing: Fields;
}
interface Place {
  entity: DeskEntity;
  id: string;
  requestId: string;
}
type Within = { transaction: Transaction } | undefined;

/** Where things of a kind are kept. All kinds are found and written by these five, whatever table stands behind them. */
export interface DeskStore {
  /** All that it keeps for a request, in the order in which it is to lie on the desk. */
  findAll: (house: House, requestId: string, within: Within) => Promise<{ entity: DeskEntity; thing: { id: string } }[]>;
  find: (house: House, entity: DeskEntity, id: string, transaction: Transaction) => Promise<Found | null>;
  /** Keeps a whole thing, in place of one of the same id. */
  put: (house: House, place: Place, thing: Fields, transaction: Transaction) => Promise<void>;
  /** Sets some fields of a thing that is there. */
  change: (house: House, place: Place, fields: Fields, transaction: Transaction) => Promise<void>;
  remove: (house: House, place: Place, transaction: Transaction) => Promise<void>;
}

type Row = Record<string, unknown>;
const withoutPlace = ({ requestId: _requestId, made: _made, ...thing }: Row): Fields => thing;

/** A table of its own with a column for each field: for what is searched or counted by its fields. */
export function columns(entity: DeskEntity, tableOf: (house: House) => Table<never>, order: Order): DeskStore {
  const table = (house: House): Table<Row> => tableOf(house) as unknown as Table<Row>;
  return {
    findAll: async (house, requestId, within) =>
      plainAll(await table(house).findAll({ where: { requestId }, order, ...within })).map((row) => ({
        entity,
        thing: withoutPlace(row) as { id: string },
      })),
    find: async (house, _entity, id, transaction) => {
      const row = plain(await table(house).findByPk(id, { transaction }));
      return row && { requestId: row['requestId'] as string, thing: withoutPlace(row) };
    },
    put: async (house, { id, requestId }, thing, transaction) => {
      await table(house).upsert({ ...thing, id, requestId }, { transaction });
    },
    change: async (house, { id, requestId }, fields, transaction) => {
      await table(house).update({ ...fields, id }, { where: { id, requestId }, transaction });
    },
    remove: async (house, { id, requestId }, transaction) => {
      await table(house).destroy({ where: { id, requestId }, transaction });
    },
  };
}

/** The table that all other kinds share: each thing is kept as JSON, whole. */
export const shared: DeskStore = {
  findAll: async ({ db }, requestId, within) =>
    plainAll(await db.deskItems.findAll({ where: { requestId }, order: [['made', 'ASC']], ...within })),
  find: async ({ db }, entity, id, transaction) => {
    const row = plain(await db.deskItems.findByPk(id, { transaction }));
    // Under one id there is one thing: what is of another kind is not this one, and its id is taken.
    if (row && row.entity !== entity) throw new ContractError('not-valid', { message: `There is something else under the id ${id}.` });
    return row && { requestId: row.requestId, thing: { ...row.thing } };
  },
  put: async ({ db }, { entity, id, requestId }, thing, transaction) => {
    const whole = { ...thing, id };
    if (!deskItems[entity].safeParse(whole).success)
      throw new ContractError('not-valid', { message: `What would be left of ${entity} ${id} is not whole.` });
    await db.deskItems.upsert({ id, requestId, entity, thing: whole }, { transaction });
  },
  change: async (house, place, fields, transaction) => {
    const present = await shared.find(house, place.entity, place.id, transaction);
    await shared.put(house, place, { ...present?.thing, ...fields }, transaction);
  },
  remove: async ({ db }, { id, requestId }, transaction) => {
    await db.deskItems.destroy({ where: { id, requestId }, transaction });
  },
};

/** The book, which all desks share: of a principle the desk knows id and name. */
export const book: DeskStore = {
  findAll: async ({ db }, _requestId, within) =>
    plainAll(await db.principles.findAll({ attributes: ['id', 'name'], order: [['name', 'ASC']], ...within })).map((thing) => ({
      entity: 'principle',
      thing,
    })),
  find: async ({ db }, _entity, id, transaction) => {
    const row = plain(await db.principles.findByPk(id, { attributes: ['id', 'name'], transaction }));
    return row && { requestId: null, thing: { ...row } };
  },
  put: async ({ db }, { id }, thing, transaction) => {
    await db.principles.upsert({ ...(thing as { name: string }), id }, { transaction });
  },
  change: async ({ db }, { id }, fields, transaction) => {
    await db.principles.update(fields, { where: { id }, transaction });
  },
  remove: async ({ db }, { id }, transaction) => {
    await db.principles.destroy({ where: { id }, transaction });
  },
};
