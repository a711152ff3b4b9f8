import type { Logger } from 'pino';
import type { Config } from '../config/config.ts';
import type { Database } from '../database.ts';
import type { FootageStorage } from '../storage/index.ts';
import type { Room } from '../storage/room.ts';
import type { Turns } from './turns.ts';

/** What every service is given: its database and storage, and the time and ids as parameters so that tests can set them. */
export interface House {
  config: Config;
  db: Database;
  storage: FootageStorage;
  /** The room on the disk. */
  room: Room;
  /** Heavy work of this process, in turns. */
  turns: Turns;
  log: Logger;
  now: () => Date;
  newId: () => string;
}
