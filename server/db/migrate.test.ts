import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bringRequest, clientA, movePeopleIn } from '../testing/people.ts';
import { openTestHouse, type TestHouse } from '../testing/testHouse.ts';
import { migrate } from './migrate.ts';
import { statements as house001 } from './migrations/001-house.ts';

let house: TestHouse;
beforeAll(async () => {
  house = await openTestHouse({ migrated: false });
});
afterAll(() => house.close());

describe('migrations', () => {
  it('bring a house of the first version, with people and footage in it, up to this one', async () => {
    const { sequelize } = house.db;
    for (const statement of house001) await sequelize.query(statement, { type: QueryTypes.RAW });
    await sequelize.query('CREATE TABLE migrations (name VARCHAR(255) PRIMARY KEY)', { type: QueryTypes.RAW });
    await sequelize.query("INSERT INTO migrations VALUES ('001-house')", { type: QueryTypes.RAW });
    await sequelize.query(`INSERT INTO clients VALUES ('${clientA}', 'Ada Moor', 2, NULL, '', '[]', '[]')`, { type: QueryTypes.RAW });
    expect(await migrate(sequelize)).toEqual(['002-motion']);
    expect((await house.db.clients.findByPk(clientA))?.get('name')).toBe('Ada Moor');
    await house.db.clients.destroy({ where: {} });
    await movePeopleIn(house);
    const { footageId } = await bringRequest(house, clientA);
    expect((await house.db.footages.findByPk(footageId))?.get('advice')).toBeNull();
  });

  it('do nothing the second time', async () => {
    expect(await migrate(house.db.sequelize)).toEqual([]);
  });
});
