import { hostname } from 'node:os';
import { readConfig } from '../config/config.ts';
import { onStop } from '../onStop.ts';
import { openHouse } from '../openHouse.ts';
import { giveWay } from './giveWay.ts';
import { runJobs } from './runJobs.ts';
import { keepTidy } from './tidy.ts';

const house = openHouse(readConfig());
await giveWay();
const stop = new AbortController();
onStop(() => stop.abort());
house.log.info({ pid: process.pid }, 'jobs process started');
await Promise.all([runJobs(house, `${hostname()}:${process.pid}`, stop.signal), keepTidy(house, stop.signal)]);
await house.db.sequelize.close();
