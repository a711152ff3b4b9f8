import { QueryTypes, type Sequelize } from 'sequelize';

/** Longer than any migration or practice takes to be brought in. Seconds. */
const patienceSeconds = 3600;

/**
 * Does `work` while no other process does its own on the same database: a second one waits. The database lets go by itself when the
 * process that holds it ends, however it ends. Throws where the other one takes longer than an hour.
 */
export function alone<T>(sequelize: Sequelize, work: () => Promise<T>): Promise<T> {
  // A transaction keeps one connection for itself, and the database gives the lock to a connection.
  return sequelize.transaction(async (transaction) => {
    const [row] = await sequelize.query<{ held: number | null }>(
      `SELECT GET_LOCK(CONCAT(DATABASE(), '.prepare'), ${patienceSeconds}) AS held`,
      { type: QueryTypes.SELECT, transaction },
    );
    if (Number(row?.held) !== 1) throw new Error('Another process has been preparing this database for an hour. Look what it does.');
    try {
      return await work();
    } finally {
      await sequelize.query("SELECT RELEASE_LOCK(CONCAT(DATABASE(), '.prepare'))", { type: QueryTypes.SELECT, transaction });
    }
  });
}
