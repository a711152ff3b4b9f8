import { readFile } from 'node:fs/promises';
import { readConfig } from '../config/config.ts';
import { putStarterBookOnce } from '../features/book/index.ts';
import { migrate } from '../db/migrate.ts';
import { openHouse } from '../openHouse.ts';
import { importPractice } from './importPractice.ts';

/**
 * `node --import tsx server/commands/prepare.ts [PRACTICE_FILE]`: migrates, loads the practice where there is none yet, and puts the
 * starter book into a house that never had it.
 */
const house = openHouse(readConfig());
await migrate(house.db.sequelize);
const file = process.argv[2];
if (file && (await house.db.accounts.count()) === 0) await importPractice(house, JSON.parse(await readFile(file, 'utf8')), file);
await putStarterBookOnce(house);
await house.db.sequelize.close();
