import { randomUUID } from 'node:crypto';
import { pino } from 'pino';
import type { Config } from './config/config.ts';
import { openDatabase } from './db/database.ts';
import type { House } from './house.ts';
import { diskStorage } from './media/storage.ts';

/** The real house: MariaDB, local disk, the machine's clock. */
export function openHouse(config: Config): House {
  return {
    config,
    db: openDatabase(config.database),
    storage: diskStorage(config.dataDir),
    log: pino({ level: config.logLevel, base: null, timestamp: pino.stdTimeFunctions.isoTime }),
    now: () => new Date(),
    newId: () => randomUUID(),
  };
}
