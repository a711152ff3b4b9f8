import { readFile } from 'node:fs/promises';
import { readConfig } from '../config/config.ts';
import { putStarterBookOnce } from '../features/book/index.ts';
import { alone } from '../db/alone.ts';
import { migrate } from '../db/migrate.ts';
import { onStop } from '../house/onStop.ts';
import { closeDatabase } from '../database.ts';
import { openHouse } from '../openHouse.ts';
import { importPractice } from './importPractice.ts';

/**
 * `node --import tsx server/commands/prepare.ts [PRACTICE_FILE]`: migrates, loads the practice where there is none yet, and puts the
 * starter book into a house that never had it.
 */
// Of a start that was killed nothing goes on: the next start would prepare the same database beside it.
onStop(() => process.exit(1));
const house = openHouse(readConfig());
await alone(house.db.sequelize, async () => {
  await migrate(house.db.sequelize);
  const file = process.argv[2];
  if (file && (await house.db.accounts.count()) === 0) await importPractice(house, JSON.parse(await readFile(file, 'utf8')), file);
  await putStarterBookOnce(house);
});
await closeDatabase(house.db);
// The channel to the start script would keep this process alive.
process.exit();
