import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { openTestHouse } from './testHouse.ts';
import { liveDays, newName } from './year.ts';
import { accountFor } from './yearAccount.ts';

/**
 * `yearMain.ts CLIENTS DAYS SEED`: lives so many days, brings a backup of the database back beside it every ninety days, and says what is
 * not accounted for at the end. What it needs of the environment the tests' database sets (scripts/testDatabase.mjs).
 */
const [clients, days, seed] = process.argv.slice(2).map(Number) as [number, number, number];
interface Login {
  host: string;
  port: number;
  user: string;
  password: string;
  ca: null;
}
// The scripts are plain JavaScript, which runs before anything is installed.
const script: string = new URL('../../scripts/databaseClient.mjs', import.meta.url).href;
const { databaseClient } = (await import(script)) as {
  databaseClient: (program: string, login: Login, args: string[], files?: { from?: string; to?: string }) => Promise<string>;
};

const house = await openTestHouse();
const { hosts, user, password, name } = house.config.database;
const login: Login = { ...hosts[0]!, user, password, ca: null };
const folder = await mkdtemp(join(tmpdir(), 'lean-year-'));

/** Sums of all tables of a database. */
async function sumsOf(database: string): Promise<string> {
  const { sequelize } = house.db;
  const tables = await sequelize.query<{ t: string }>(
    'SELECT TABLE_NAME AS t FROM information_schema.TABLES WHERE TABLE_SCHEMA = :database',
    {
      replacements: { database },
      type: QueryTypes.SELECT,
    },
  );
  const names = tables.map(({ t }) => `${database}.${t}`).sort();
  const rows = await sequelize.query<{ Checksum: number }>(`CHECKSUM TABLE ${names.join(', ')}`, { type: QueryTypes.SELECT });
  return rows.map(({ Checksum }, i) => `${names[i]!.split('.')[1]!} ${Checksum}`).join('\n');
}

let backups = 0;
async function backUpAndBringBack(): Promise<void> {
  const [file, beside] = [join(folder, 'backup.sql'), newName()];
  await databaseClient('mariadb-dump', login, ['--single-transaction', '--skip-lock-tables', '--no-tablespaces', '--hex-blob', name], {
    to: file,
  });
  await house.db.sequelize.query(`CREATE DATABASE ${beside} CHARACTER SET utf8mb4`, { type: QueryTypes.RAW });
  await databaseClient('mariadb', login, [beside], { from: file });
  if ((await sumsOf(name)) !== (await sumsOf(beside))) throw new Error('A backup that was brought back is not what was backed up.');
  await house.db.sequelize.query(`DROP DATABASE ${beside}`, { type: QueryTypes.RAW });
  backups += 1;
}

try {
  const ledger = await liveDays(house, { clients, days, seed, each: async (day) => (day % 90 === 0 ? backUpAndBringBack() : undefined) });
  const faults = await accountFor(house, ledger);
  const counted = { requests: ledger.sent.size, forgotten: ledger.forgotten.size, invoices: ledger.invoices.size };
  process.stdout.write(`${JSON.stringify({ faults, ...counted, cuts: ledger.restarts, backups })}\n`);
} finally {
  await house.close();
  await rm(folder, { recursive: true });
}
