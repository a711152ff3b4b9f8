import { randomUUID } from 'node:crypto';
import { availableParallelism } from 'node:os';
import { pino } from 'pino';
import type { Config } from './config/config.ts';
import { openDatabase } from './database.ts';
import type { House } from './house/house.ts';
import { lineWriter } from './house/lineWriter.ts';
import { loggedError } from './http/requestLog.ts';
import { openStorage } from './storage/index.ts';
import { Room } from './storage/room.ts';
import { Turns } from './house/turns.ts';

/** The real house: MariaDB, disk or bucket, the machine's clock. */
export function openHouse(config: Config): House {
  return {
    config,
    db: openDatabase(config.database),
    storage: openStorage(config),
    room: new Room(config.dataDir, config.spareBytes),
    turns: new Turns({ overall: availableParallelism(), each: Math.max(1, availableParallelism() - 1), waitingEach: 200 }),
    log: pino(
      { level: config.logLevel, base: null, timestamp: pino.stdTimeFunctions.isoTime, serializers: { err: loggedError } },
      lineWriter(1),
    ),
    now: () => new Date(),
    newId: () => randomUUID(),
  };
}
