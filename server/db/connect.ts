import Query from 'sequelize/lib/dialects/mariadb/query';
import { readFileSync } from 'node:fs';
import { connect as openSocket } from 'node:net';
import { Sequelize } from 'sequelize';
import type { DatabaseHost, DatabaseSettings } from '../config/config.ts';

// mariadb 3.5 marks `meta` on result arrays as not configurable, and Sequelize 6 deletes it: hand it a copy.
const formatResults = Query.prototype.formatResults;
Query.prototype.formatResults = function patched(this: unknown, data: unknown) {
  if (!Array.isArray(data)) return formatResults.call(this, data);
  const copy: unknown[] & { meta?: unknown; affectedRows?: unknown } = [...data];
  const { meta } = data as { meta?: unknown };
  if (meta !== undefined) copy.meta = meta;
  return formatResults.call(this, copy);
};

/** A server that does not take a connection within this time is passed over, in ms. */
const patienceMs = 1500;

/** Whether a server takes connections. */
const answers = ({ host, port }: DatabaseHost): Promise<boolean> =>
  new Promise((resolve) => {
    const socket = openSocket({ host, port });
    const end = (answer: boolean): void => {
      socket.destroy();
      resolve(answer);
    };
    socket.setTimeout(patienceMs, () => end(false));
    socket.once('connect', () => end(true)).once('error', () => end(false));
  });

/**
 * The first of several servers that takes connections; the first of all where none does, so that it is said which one is away. Always in
 * this order: two members of a cluster that are both written to refuse one another's changes.
 */
async function firstThatAnswers(hosts: readonly DatabaseHost[]): Promise<DatabaseHost> {
  for (const host of hosts) if (hosts.length === 1 || (await answers(host))) return host;
  return hosts[0]!;
}

/** Connection pool to the practice's MariaDB. Times are UTC with microseconds. */
export function connect(database: DatabaseSettings, hosts: readonly DatabaseHost[] = database.hosts): Sequelize {
  const ssl = database.ca === null ? {} : { ssl: { ca: readFileSync(database.ca), rejectUnauthorized: true } };
  return new Sequelize(database.name, database.user, database.password, {
    dialect: 'mariadb',
    ...hosts[0]!,
    logging: false,
    timezone: '+00:00',
    pool: { max: 10, idle: 30_000 },
    dialectOptions: { foundRows: true, charset: 'utf8mb4', connectTimeout: 5000, ...ssl },
    hooks: { beforeConnect: async (config) => void Object.assign(config, await firstThatAnswers(hosts)) },
  });
}
