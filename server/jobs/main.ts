import { hostname } from 'node:os';
import { readConfig } from '../config/config.ts';
import { openHouse } from '../openHouse.ts';
import { runJobs } from './runJobs.ts';

const house = openHouse(readConfig());
const stop = new AbortController();
for (const name of ['SIGINT', 'SIGTERM'] as const) process.on(name, () => stop.abort());
// The start script is gone.
process.once('disconnect', () => stop.abort());
house.log.info({ pid: process.pid }, 'jobs process started');
await runJobs(house, `${hostname()}:${process.pid}`, stop.signal);
await house.db.sequelize.close();
