import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { pino } from 'pino';
import { QueryTypes } from 'sequelize';
import { readConfig } from '../config/config.ts';
import { connect } from '../db/connect.ts';
import { openHouse } from '../openHouse.ts';
import type { House } from '../house/house.ts';
import { loggedError } from '../http/requestLog.ts';
import { copyMigrated } from './migratedDatabase.ts';

export interface TestHouse extends House {
  /** The house's clock; null follows the machine's. */
  time: Date | null;
  /** What was logged, as lines of JSON. */
  logged: string[];
  close: () => Promise<void>;
}

/** A house with a database and a data folder of its own, in the MariaDB that the tests started. */
export async function openTestHouse({ migrated = true } = {}): Promise<TestHouse> {
  const dataDir = await mkdtemp(join(tmpdir(), 'lean-test-house-'));
  const name = `lean_test_${randomUUID().replaceAll('-', '')}`;
  const config = readConfig({
    ...process.env,
    LEAN_DB_NAME: name,
    LEAN_DATA_DIR: dataDir,
    LEAN_SECRET: 'a secret for the tests only',
    LEAN_LOG: 'silent',
    LEAN_SPARE_MB: '1',
    PORT: '0',
  });
  const admin = connect({ ...config.database, name: '' });
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4`, { type: QueryTypes.RAW });
  const logged: string[] = [];
  const house: TestHouse = {
    ...openHouse(config),
    log: pino({ base: null, serializers: { err: loggedError } }, { write: (line: string) => void logged.push(line) }),
    time: null,
    logged,
    now: () => house.time ?? new Date(),
    close: async () => {
      await house.db.sequelize.close();
      await admin.query(`DROP DATABASE ${name}`, { type: QueryTypes.RAW });
      await admin.close();
      await rm(dataDir, { recursive: true, force: true });
    },
  };
  if (migrated) await copyMigrated(house.db.sequelize, config.database);
  return house;
}
