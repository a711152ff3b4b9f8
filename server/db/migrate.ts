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
import * as guarded from './migrations/010-guarded.ts';
import * as falls from './migrations/011-falls.ts';
import * as searchForms from './migrations/012-search-forms.ts';
import * as ledTo from './migrations/013-led-to.ts';
import * as takes from './migrations/014-takes.ts';
import * as films from './migrations/015-films.ts';
import * as askedOfTakes from './migrations/016-asked-of-takes.ts';
import * as takeWords from './migrations/017-take-words.ts';
import * as memosAreTakes from './migrations/018-memos-are-takes.ts';
import * as comparedInFilms from './migrations/019-compared-in-films.ts';
import * as joining from './migrations/020-joining.ts';
import * as secondFactor from './migrations/021-second-factor.ts';
import * as sentLetters from './migrations/022-sent-letters.ts';
import * as practice from './migrations/023-practice.ts';
import * as people from './migrations/024-people.ts';
import * as calendarLinks from './migrations/025-calendar-links.ts';
import * as money from './migrations/026-money.ts';
import * as letterWords from './migrations/027-letter-words.ts';
import * as handOvers from './migrations/028-hand-overs.ts';
import * as limits from './migrations/030-limits.ts';
import * as forks from './migrations/032-forks.ts';
import * as requestLimits from './migrations/033-request-limits.ts';
import * as rights from './migrations/034-rights.ts';
import * as editions from './migrations/035-editions.ts';
import * as lastReady from './migrations/036-last-ready.ts';
import * as threats from './migrations/031-threats.ts';
import * as work from './migrations/029-work.ts';
import { changesSchema, isDone } from './statementDone.ts';

export interface Migration {
  name: string;
  statements: readonly string[];
}

/** Numbered, forward only; a migration that has landed is never edited. */
export const migrations: readonly Migration[] = [
  { name: '001-house', statements: house.statements },
  { name: '002-motion', statements: motion.statements },
  { name: '003-intake', statements: intake.statements },
  { name: '004-desk', statements: desk.statements },
  { name: '005-clips', statements: clips.statements },
  { name: '006-scoring', statements: scoring.statements },
  { name: '007-book', statements: book.statements },
  { name: '008-critique', statements: critique.statements },
  { name: '009-search', statements: search.statements },
  { name: '010-guarded', statements: guarded.statements },
  { name: '011-falls', statements: falls.statements },
  { name: '012-search-forms', statements: searchForms.statements },
  { name: '013-led-to', statements: ledTo.statements },
  { name: '014-takes', statements: takes.statements },
  { name: '015-films', statements: films.statements },
  { name: '016-asked-of-takes', statements: askedOfTakes.statements },
  { name: '017-take-words', statements: takeWords.statements },
  { name: '018-memos-are-takes', statements: memosAreTakes.statements },
  { name: '019-compared-in-films', statements: comparedInFilms.statements },
  { name: '020-joining', statements: joining.statements },
  { name: '021-second-factor', statements: secondFactor.statements },
  { name: '022-sent-letters', statements: sentLetters.statements },
  { name: '023-practice', statements: practice.statements },
  { name: '024-people', statements: people.statements },
  { name: '025-calendar-links', statements: calendarLinks.statements },
  { name: '026-money', statements: money.statements },
  { name: '027-letter-words', statements: letterWords.statements },
  { name: '028-hand-overs', statements: handOvers.statements },
  { name: '029-work', statements: work.statements },
  { name: '030-limits', statements: limits.statements },
  { name: '031-threats', statements: threats.statements },
  { name: '032-forks', statements: forks.statements },
  { name: '033-request-limits', statements: requestLimits.statements },
  { name: '034-rights', statements: rights.statements },
  { name: '035-editions', statements: editions.statements },
  { name: '036-last-ready', statements: lastReady.statements },
];

const raw = { type: QueryTypes.RAW } as const;

/** How many statements of a migration have been run. What was cut off before steps were written down is told by the schema. */
async function stepsDone(sequelize: Sequelize, { name, statements }: Migration): Promise<number> {
  const [row] = await sequelize.query<{ done: string | null }>(
    'SELECT CAST(MAX(step) + 1 AS CHAR) AS done FROM migration_steps WHERE name = :name',
    { replacements: { name }, type: QueryTypes.SELECT },
  );
  let done = Number(row?.done ?? 0);
  // Statements run in their order: where a later one has left its trace, those before it were run too.
  for (let step = statements.length - 1; step >= done; step--)
    if (await isDone(sequelize, statements[step]!)) {
      done = step + 1;
      break;
    }
  return done;
}

/**
 * Runs what is left of a migration. Every statement that was run is written down: one that changes rows together with its record, in
 * one transaction; one that changes the schema just before it, and the schema tells whether it was run. So a migration that was cut
 * off anywhere goes on where it stopped.
 */
async function runMigration(sequelize: Sequelize, migration: Migration): Promise<void> {
  const { name, statements } = migration;
  for (let step = await stepsDone(sequelize, migration); step < statements.length; step++) {
    const statement = statements[step]!;
    const record = 'INSERT IGNORE INTO migration_steps (name, step) VALUES (:name, :step)';
    const options = { ...raw, replacements: { name, step } };
    if (changesSchema(statement)) {
      await sequelize.query(statement, raw).catch(async (error: unknown) => {
        // A process that was killed left it with the server, which ran it to its end while this one waited for the table.
        if (!(await isDone(sequelize, statement))) throw error;
      });
      await sequelize.query(record, options);
    } else
      await sequelize.transaction(async (transaction) => {
        await sequelize.query(statement, { ...raw, transaction });
        await sequelize.query(record, { ...options, transaction });
      });
  }
}

/** Brings the database up to the newest migration, or to the one that is named last. Answers the names of those it ran. */
export async function migrate(sequelize: Sequelize, upTo: readonly Migration[] = migrations): Promise<string[]> {
  await sequelize.query(
    'CREATE TABLE IF NOT EXISTS migration_steps (name VARCHAR(60) NOT NULL, step INT NOT NULL, PRIMARY KEY (name, step))',
    raw,
  );
  const umzug = new Umzug({
    migrations: upTo.map((migration) => ({ name: migration.name, up: () => runMigration(sequelize, migration) })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
  return (await umzug.up()).map((m) => m.name);
}
