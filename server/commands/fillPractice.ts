import { readConfig } from '../config/config.ts';
import { openHouse } from '../openHouse.ts';
import { fillPractice } from '../testing/fillPractice.ts';

/**
 * `node --import tsx server/commands/fillPractice.ts CLIENTS REQUESTS NOTES [WAITING]`: fills the house for measuring. Not for one in
 * use.
 */
const [clients, requests, notes, waiting = 0] = process.argv.slice(2).map(Number);
if (![clients, requests, notes].every((count) => Number.isInteger(count) && count! > 0))
  throw new Error('Say how many clients, requests and notes: three whole numbers.');
const house = openHouse(readConfig());
await fillPractice(house, { clients: clients!, requests: requests!, notes: notes!, waiting });
await house.db.sequelize.close();
