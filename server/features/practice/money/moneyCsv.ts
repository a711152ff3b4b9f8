import { csvText } from '@lean-mentor/contract';
import type { House } from '../../../house/house.ts';
import { findEntriesBetween, findInvoices } from './repository.ts';
import { viewsOf } from './views.ts';

/** An amount as a cell that is a number, with both its decimals: one below zero is then not taken for a formula and disarmed. */
const figure = (amount: string): { toString: () => string } => ({ toString: () => amount });

/** All invoices of a year, in the order of their numbers. */
async function invoicesCsv(house: House, year: number): Promise<string> {
  const rows = await findInvoices(house, { issued: { from: `${year}-01-01`, to: `${year}-12-31` } });
  const views = (await viewsOf(house, rows)).sort((a, b) => a.number - b.number);
  return csvText(
    ['number', 'issued', 'due', 'recipient', 'for', 'currency', 'total', 'cancels', 'cancelled by', 'state', 'open'],
    views.map(({ number, issuedOn, dueOn, recipient, lines, currency, total, cancels, cancelledBy, state, open }) => [
      ...[number, issuedOn, dueOn, recipient, lines.map(({ words }) => words).join('; '), currency, figure(total)],
      ...[cancels, cancelledBy, state, figure(open)],
    ]),
  );
}

/** All that happened with money in a year (of UTC), oldest first. */
async function entriesCsv(house: House, year: number): Promise<string> {
  const entries = await findEntriesBetween(house, new Date(Date.UTC(year, 0)), new Date(Date.UTC(year + 1, 0)));
  const invoices = await findInvoices(house, { ids: [...new Set(entries.map(({ invoiceId }) => invoiceId))] });
  const invoiceWith = new Map(invoices.map((one) => [one.id, one]));
  return csvText(
    ['at', 'invoice', 'what', 'currency', 'amount', 'words'],
    entries.map(({ at, invoiceId, kind, amount, words }) => {
      const { number, currency } = invoiceWith.get(invoiceId)!;
      return [at.toISOString(), number, kind, currency, figure(amount), words];
    }),
  );
}

export const moneyCsv = (house: House, year: number, table: 'invoices' | 'entries'): Promise<string> =>
  table === 'invoices' ? invoicesCsv(house, year) : entriesCsv(house, year);
