import { QueryTypes, type Sequelize } from 'sequelize';

/** What a statement that changes the schema leaves behind, as `information_schema` tells it. */
interface Trace {
  sql: string;
  replacements: Record<string, string>;
  /** Whether the statement is done when something is found, or when nothing is. */
  doneWhen: 'found' | 'gone';
}

const here = 'table_schema = DATABASE()';
const columns = `SELECT 1 FROM information_schema.columns WHERE ${here} AND table_name = :table AND column_name = :name`;
const keys = `SELECT 1 FROM information_schema.statistics WHERE ${here} AND table_name = :table AND index_name = :name LIMIT 1`;
const references = `SELECT 1 FROM information_schema.key_column_usage WHERE ${here} AND table_name = :table AND column_name = :name
  AND referenced_table_name IS NOT NULL LIMIT 1`;

const triggers = 'SELECT 1 FROM information_schema.triggers WHERE trigger_schema = DATABASE() AND trigger_name = :trigger';

/** Clauses of ALTER TABLE by which one sees whether it was run. One ALTER TABLE is done whole or not at all (atomic DDL, MariaDB 10.6). */
const clauses: readonly { pattern: RegExp; sql: string; doneWhen: Trace['doneWhen'] }[] = [
  { pattern: /\bADD COLUMN (\w+)/, sql: columns, doneWhen: 'found' },
  { pattern: /\bADD (?:UNIQUE )?KEY (\w+)/, sql: keys, doneWhen: 'found' },
  { pattern: /\bADD FOREIGN KEY \((\w+)\)/, sql: references, doneWhen: 'found' },
  { pattern: /\bDROP COLUMN (\w+)/, sql: columns, doneWhen: 'gone' },
  { pattern: /\bDROP KEY (\w+)/, sql: keys, doneWhen: 'gone' },
];

function traceOf(statement: string): Trace | null {
  const table = /^\s*CREATE TABLE (\w+)/.exec(statement)?.[1];
  if (table)
    return {
      sql: `SELECT 1 FROM information_schema.tables WHERE ${here} AND table_name = :table`,
      replacements: { table },
      doneWhen: 'found',
    };
  const trigger = /^\s*CREATE TRIGGER (\w+)/.exec(statement)?.[1];
  if (trigger) return { sql: triggers, replacements: { trigger }, doneWhen: 'found' };
  const dropped = /^\s*DROP TRIGGER (\w+)/.exec(statement)?.[1];
  if (dropped) return { sql: triggers, replacements: { trigger: dropped }, doneWhen: 'gone' };
  const altered = /^\s*ALTER TABLE (\w+)/.exec(statement)?.[1];
  if (!altered) return null;
  for (const { pattern, sql, doneWhen } of clauses) {
    const name = pattern.exec(statement)?.[1];
    if (name) return { sql, replacements: { table: altered, name }, doneWhen };
  }
  throw new Error(`A migration's ALTER TABLE must add or drop something by which one sees that it was run: ${statement.slice(0, 80)}`);
}

/** Whether a statement changes the schema, which no transaction can take back. */
export const changesSchema = (statement: string): boolean => traceOf(statement) !== null;

/** Whether a statement that changes the schema has been run here. */
export async function isDone(sequelize: Sequelize, statement: string): Promise<boolean> {
  const trace = traceOf(statement);
  if (!trace) return false;
  const found = await sequelize.query(trace.sql, { replacements: trace.replacements, type: QueryTypes.SELECT });
  return found.length > 0 === (trace.doneWhen === 'found');
}
