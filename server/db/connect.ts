import Query from 'sequelize/lib/dialects/mariadb/query';
import { Sequelize } from 'sequelize';
import type { Config } from '../config/config.ts';

// mariadb 3.5 marks `meta` on result arrays as not configurable, and Sequelize 6 deletes it: hand it a copy.
const formatResults = Query.prototype.formatResults;
Query.prototype.formatResults = function patched(this: unknown, data: unknown) {
  if (!Array.isArray(data)) return formatResults.call(this, data);
  const copy: unknown[] & { meta?: unknown; affectedRows?: unknown } = [...data];
  const { meta } = data as { meta?: unknown };
  if (meta !== undefined) copy.meta = meta;
  return formatResults.call(this, copy);
};

/** Connection pool to the practice's MariaDB on loopback. Times are UTC with microseconds. */
export function connect(database: Config['database']): Sequelize {
  return new Sequelize(database.name, database.user, database.password, {
    dialect: 'mariadb',
    host: '127.0.0.1',
    port: database.port,
    logging: false,
    timezone: '+00:00',
    pool: { max: 10, idle: 30_000 },
    dialectOptions: { foundRows: true, charset: 'utf8mb4', connectTimeout: 5000 },
  });
}
