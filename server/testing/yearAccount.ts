import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import { subMonths } from 'date-fns';
import { QueryTypes } from 'sequelize';
import type { TestHouse } from './testHouse.ts';
import { keptMonths, type Ledger } from './year.ts';

type Row = Record<string, string | number | null>;

/** Holds a house against what was written down beside it: answers every row, sum and file that is not accounted for. */
export async function accountFor(house: TestHouse, ledger: Ledger): Promise<string[]> {
  const faults: string[] = [];
  const rows = (sql: string): Promise<Row[]> => house.db.sequelize.query<Row>(sql, { type: QueryTypes.SELECT });
  const ids = async (sql: string): Promise<string[]> => (await rows(sql)).map(({ id }) => String(id)).sort();
  const same = (what: string, there: readonly string[], wanted: Iterable<string>): void => {
    const [is, should] = [new Set(there), new Set(wanted)];
    const [lost, left] = [[...should].filter((id) => !is.has(id)), [...is].filter((id) => !should.has(id))];
    if (there.length !== is.size) faults.push(`${what}: ${there.length - is.size} are there twice`);
    if (lost.length > 0) faults.push(`${what}: ${lost.length} are lost, such as ${lost[0]}`);
    if (left.length > 0) faults.push(`${what}: ${left.length} are left, such as ${left[0]}`);
  };
  const now = house.now();
  const since = (months: number): Date => subMonths(now, months);
  const sent = [...ledger.sent.values()];
  const answered = sent.filter(({ state }) => state === 'answered');
  const isGone = ({ state, restsSince }: (typeof sent)[number]): boolean =>
    state === 'withdrawn' || (restsSince !== null && restsSince < since(keptMonths.footage));

  same('clients', await ids('SELECT id FROM clients'), ledger.clients.keys());
  const accounts = [...ledger.clients.values()].map(({ account }) => account.id);
  same('sign-ins of clients', await ids("SELECT id FROM accounts WHERE role = 'client'"), accounts);
  const states = { draft: 'draft', waiting: 'waiting', answered: 'sent', withdrawn: 'withdrawn' };
  same(
    'requests',
    await ids("SELECT CONCAT(id, ' ', state) AS id FROM requests"),
    sent.map(({ id, state }) => `${id} ${states[state]}`),
  );
  const footages = sent.map((one) => `${one.footageId} ${isGone(one) ? 'removed' : 'ready'}`);
  same('footage', await ids("SELECT CONCAT(id, ' ', state) AS id FROM footages"), footages);
  const folders = await readdir(join(house.config.dataDir, 'footage')).catch(() => []);
  const kept = sent.filter((one) => !isGone(one)).map(({ footageId }) => footageId);
  same('folders of footage', folders, kept);
  const answeredIds = answered.map(({ id }) => id);
  for (const table of ['critiques', 'notes']) same(table, await ids(`SELECT request_id AS id FROM ${table}`), answeredIds);
  same('notes that are found by their words', await ids("SELECT request_id AS id FROM search_entries WHERE entry = 'note'"), answeredIds);
  const told = answered.filter(({ restsSince }) => restsSince! >= since(keptMonths.letters));
  const letters = await rows("SELECT COUNT(*) AS many FROM letters WHERE kind = 'critique'");
  if (Number(letters[0]!['many']) !== told.length) faults.push(`letters: ${letters[0]!['many']} of critiques, not ${told.length}`);

  const invoices = await rows('SELECT id, number, CAST(total AS CHAR) AS total, client_id AS clientId FROM invoices ORDER BY number');
  same(
    'invoices',
    invoices.map(({ id, total }) => `${id} ${total}`),
    [...ledger.invoices].map(([id, total]) => `${id} ${total}`),
  );
  if (invoices.some(({ number }, i) => number !== i + 1)) faults.push('invoices: their numbers have gaps');
  same('forgotten', await ids('SELECT client_id AS id FROM forgettings WHERE done_at IS NOT NULL'), ledger.forgotten);
  same('to be forgotten', await ids('SELECT client_id AS id FROM forgettings WHERE done_at IS NULL'), ledger.asked.keys());

  // Whatever leads to a client leads to one who is there.
  const leading = await rows(
    `SELECT TABLE_NAME AS t FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = DATABASE() AND COLUMN_NAME = 'client_id' AND TABLE_NAME <> 'forgettings'`,
  );
  for (const { t } of leading) {
    const lost = await rows(`SELECT COUNT(*) AS many FROM ${t} WHERE client_id IS NOT NULL AND client_id NOT IN (SELECT id FROM clients)`);
    if (Number(lost[0]!['many']) > 0) faults.push(`${t}: ${lost[0]!['many']} rows of clients who are not there`);
  }
  const none: [string, string][] = [
    ['words of entries that are not there', 'search_words WHERE row_id NOT IN (SELECT row_id FROM search_entries)'],
    ['letters of nobody', 'letters WHERE account_id IS NULL'],
    ['letters that were kept long enough', `letters WHERE written_at < '${since(keptMonths.letters).toISOString().slice(0, 19)}'`],
    ['trail that was kept long enough', `trail WHERE hour_at < '${since(keptMonths.trail).toISOString().slice(0, 19)}'`],
    [
      'pictures to be made of critiques that are not there',
      "jobs WHERE kind = 'make-pictures' AND subject_id NOT IN (SELECT id FROM critiques)",
    ],
    ['footage to be made ready that is not there', "jobs WHERE kind = 'make-ready' AND subject_id NOT IN (SELECT id FROM footages)"],
  ];
  for (const [what, where] of none) {
    const [row] = await rows(`SELECT COUNT(*) AS many FROM ${where}`);
    if (Number(row!['many']) > 0) faults.push(`${what}: ${row!['many']}`);
  }
  return faults;
}
