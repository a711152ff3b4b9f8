import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { closeDatabase, openDatabase } from '../database.ts';
import { openTestHouse, type TestHouse } from '../testing/testHouse.ts';
import { connect } from './connect.ts';

let house: TestHouse;
beforeAll(async () => void (house = await openTestHouse()));
afterAll(() => house.close());

/** A port at which nothing answers. */
async function closedPort(): Promise<number> {
  const server = createServer().listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const { port } = server.address() as AddressInfo;
  await new Promise((resolve) => server.close(resolve));
  return port;
}
const away = async () => ({ host: '127.0.0.1', port: await closedPort() });
const one = { type: QueryTypes.SELECT } as const;

describe('a list of database servers', () => {
  it('is gone through until one answers', async () => {
    const { database } = house.config;
    const sequelize = connect({ ...database, hosts: [await away(), await away(), ...database.hosts] });
    expect(await sequelize.query('SELECT 1 AS one', one)).toEqual([{ one: 1 }]);
    await sequelize.close();
  });

  it('of which none answers is away', async () => {
    const sequelize = connect({ ...house.config.database, hosts: [await away(), await away()] });
    await expect(sequelize.query('SELECT 1', one)).rejects.toMatchObject({ name: 'SequelizeConnectionRefusedError' });
    await sequelize.close();
  });
});

describe('a copy that follows', () => {
  it('is read from what may be a moment old, and what is changed goes to the database itself', async () => {
    const { database } = house.config;
    const db = openDatabase({ ...database, readHosts: [{ host: 'localhost', port: database.hosts[0]!.port }] });
    expect(db.reading).not.toBe(db.sequelize);
    expect(await db.reading.query('SELECT 1 AS one', one)).toEqual([{ one: 1 }]);
    await closeDatabase(db);
  });

  it('is stood in for by the database itself while it is away', async () => {
    const { database } = house.config;
    const db = openDatabase({ ...database, readHosts: [await away()] });
    expect(await db.reading.query('SELECT DATABASE() AS name', one)).toEqual([{ name: database.name }]);
    await closeDatabase(db);
  });

  it('is not there where none is named', () => expect(house.db.reading).toBe(house.db.sequelize));
});
