import { hostname } from 'node:os';
import { readConfig } from './config/config.ts';
import { onStop } from './house/onStop.ts';
import { closeDatabase } from './database.ts';
import { openHouse } from './openHouse.ts';
import { giveWay } from './jobs/giveWay.ts';
import { runJobs } from './jobs/runJobs.ts';
import { jobKinds } from './jobKinds.ts';
import { chores } from './chores.ts';
import { keepTidy } from './jobs/tidy.ts';

const house = openHouse(readConfig());
await giveWay();
const stop = new AbortController();
onStop(() => stop.abort());
house.log.info({ pid: process.pid }, 'jobs process started');
await Promise.all([runJobs(house, jobKinds, `${hostname()}:${process.pid}`, stop.signal), keepTidy(house, chores, stop.signal)]);
await closeDatabase(house.db);
