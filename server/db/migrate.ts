import { QueryTypes, type Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import * as house from './migrations/001-house.ts';
import * as motion from './migrations/002-motion.ts';
import * as intake from './migrations/003-intake.ts';
import * as desk from './migrations/004-desk.ts';
import * as clips from './migrations/005-clips.ts';
import * as scoring from './migrations/006-scoring.ts';
import * as book from './migrations/007-book.ts';
import * as critique from './migrations/008-critique.ts';
import * as search from './migrations/009-search.ts';

/** Numbered, forward only; a migration that has landed is never edited. */
const migrations = [
  { name: '001-house', statements: house.statements },
  { name: '002-motion', statements: motion.statements },
  { name: '003-intake', statements: intake.statements },
  { name: '004-desk', statements: desk.statements },
  { name: '005-clips', statements: clips.statements },
  { name: '006-scoring', statements: scoring.statements },
  { name: '007-book', statements: book.statements },
  { name: '008-critique', statements: critique.statements },
  { name: '009-search', statements: search.statements },
];

/** Brings the database up to the newest migration. Answers the names of those it ran. */
export async function migrate(sequelize: Sequelize): Promise<string[]> {
  const umzug = new Umzug({
    migrations: migrations.map(({ name, statements }) => ({
      name,
      up: async () => {
        for (const statement of statements) await sequelize.query(statement, { type: QueryTypes.RAW });
      },
    })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
  return (await umzug.up()).map((m) => m.name);
}
