import { readFile } from 'node:fs/promises';
import { readConfig } from '../config/config.ts';
import { migrate } from '../db/migrate.ts';
import { openHouse } from '../openHouse.ts';
import { importPractice } from './importPractice.ts';

/** `node --import tsx server/commands/prepare.ts [PRACTICE_FILE]`: migrates, and loads the practice where there is none yet. */
const house = openHouse(readConfig());
await migrate(house.db.sequelize);
const file = process.argv[2];
if (file && (await house.db.accounts.count()) === 0) await importPractice(house, JSON.parse(await readFile(file, 'utf8')), file);
await house.db.sequelize.close();
