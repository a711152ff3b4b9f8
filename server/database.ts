import type { Sequelize } from 'sequelize';
import type { Config } from './config/config.ts';
import { accessTables } from './features/access/model.ts';
import { bookTables } from './features/book/model.ts';
import { clientTables } from './features/clients/model.ts';
import { critiqueTables } from './features/critique/model.ts';
import { deskTables } from './features/desk/model.ts';
import { filmTables } from './features/films/model.ts';
import { fixTables } from './features/fixes/model.ts';
import { followupTables } from './features/followup/model.ts';
import { footageTables } from './features/footage/model.ts';
import { joiningTables } from './features/joining/model.ts';
import { letterTables } from './features/letters/model.ts';
import { requestTables } from './features/requests/model.ts';
import { practiceTables } from './features/practice/model.ts';
import { moneyTables } from './features/practice/money/model.ts';
import { queueTables } from './features/queue/model.ts';
import { rightsTables } from './features/rights/model.ts';
import { scoringTables } from './features/scoring/model.ts';
import { takeTables } from './features/takes/model.ts';
import { uploadTables } from './features/uploads/model.ts';
import { workTables } from './features/work/model.ts';
import { jobTables } from './jobs/model.ts';
import { standInTables } from './payments/model.ts';
import { connect } from './db/connect.ts';

const tablesOf = (sequelize: Sequelize) => ({
  ...accessTables(sequelize),
  ...clientTables(sequelize),
  ...followupTables(sequelize),
  ...requestTables(sequelize),
  ...footageTables(sequelize),
  ...uploadTables(sequelize),
  ...jobTables(sequelize),
  ...deskTables(sequelize),
  ...bookTables(sequelize),
  ...scoringTables(sequelize),
  ...fixTables(sequelize),
  ...critiqueTables(sequelize),
  ...takeTables(sequelize),
  ...filmTables(sequelize),
  ...joiningTables(sequelize),
  ...practiceTables(sequelize),
  ...moneyTables(sequelize),
  ...standInTables(sequelize),
  ...queueTables(sequelize),
  ...letterTables(sequelize),
  ...workTables(sequelize),
  ...rightsTables(sequelize),
});

/** The practice's tables over one connection pool. */
export type Database = {
  sequelize: Sequelize;
  /** For reading what may be a moment old, outside transactions: a copy that follows where there is one, else the same. */
  reading: Sequelize;
} & ReturnType<typeof tablesOf>;

export function openDatabase(config: Config['database']): Database {
  const sequelize = connect(config);
  // Where no copy answers, the database itself does.
  const reading = config.readHosts.length > 0 ? connect(config, [...config.readHosts, ...config.hosts]) : sequelize;
  return { sequelize, reading, ...tablesOf(sequelize) };
}

export async function closeDatabase({ sequelize, reading }: Database): Promise<void> {
  await sequelize.close();
  if (reading !== sequelize) await reading.close();
}
