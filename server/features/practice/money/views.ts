import type { Account, Invoice } from '@lean-mentor/contract';
import type { House } from '../../../house/house.ts';
import { todayOf } from '../hours.ts';
import { findPractice } from '../repository.ts';
import { clientsPaidBy } from './issue.ts';
import { standingsOf, type StandingInvoice } from './late.ts';
import { findBilling, findCameByMonth, findInvoicedByMonth, findInvoices, findInvoiceYears, findUnsettled } from './repository.ts';

function viewOf({ row, entries, cancelledBy, standing }: StandingInvoice, numbers: ReadonlyMap<string, number>): Invoice {
  const { id, number, clientId, recipient, issuedOn, dueOn, currency, items, total, cancels } = row;
  return {
    ...{ id, number, clientId, recipient, issuedOn, dueOn, currency, lines: items, total },
    cancels: cancels === null ? null : (numbers.get(cancels) ?? null),
    cancelledBy: cancelledBy?.number ?? null,
    ...standing,
    entries: entries.map((entry) => ({
      ...{ id: entry.id, kind: entry.kind, amount: entry.amount, at: entry.at.toISOString(), words: entry.words },
      byHand: entry.paymentId === null,
    })),
  };
}

/** Invoices as they are shown, with how they stand today. */
export async function viewsOf(house: House, rows: Parameters<typeof standingsOf>[1]): Promise<Invoice[]> {
  const cancelled = await findInvoices(house, { ids: rows.flatMap(({ cancels }) => cancels ?? []) });
  const numbers = new Map(cancelled.map(({ id, number }) => [id, number]));
  return (await standingsOf(house, rows)).map((one) => viewOf(one, numbers));
}

/** The first day of the month so many months before a day's. */
const monthsBefore = (day: string, months: number): string => {
  const [year, month] = day.split('-').map(Number);
  return new Date(Date.UTC(year!, month! - 1 - months, 1)).toISOString().slice(0, 10);
};

/** What was invoiced and what came in each of the last twelve months, months without either too. */
async function monthsOf(house: House, currency: string, today: string) {
  const from = monthsBefore(today, 11);
  const [invoiced, came] = await Promise.all([findInvoicedByMonth(house, currency, from), findCameByMonth(house, currency, from)]);
  const sumIn = (rows: typeof came, month: string): string => Number(rows.find((row) => row.month === month)?.sum ?? 0).toFixed(2);
  return Array.from({ length: 12 }, (_, i) => {
    const month = monthsBefore(today, 11 - i).slice(0, 7);
    return { month, invoiced: sumIn(invoiced, month), came: sumIn(came, month) };
  });
}

/** The coach's side: what is written, what is owed. */
export async function getMoney(house: House) {
  const [{ billing, revision }, practice, years, unsettled] = await Promise.all([
    findBilling(house),
    findPractice(house),
    findInvoiceYears(house),
    findUnsettled(house, {}),
  ]);
  const today = todayOf(house, practice);
  const recent = await findInvoices(house, { issued: { from: monthsBefore(today, 24), to: today } });
  const older = unsettled.filter(({ id }) => !recent.some((row) => row.id === id));
  const rows = [...recent, ...older].sort((a, b) => b.number - a.number);
  const [invoices, months] = await Promise.all([viewsOf(house, rows), monthsOf(house, practice.currency, today)]);
  return { billing, revision, currency: practice.currency, invoices, months, years };
}

/** Those of the caller's clients. */
export async function listOwnInvoices(house: House, account: Account) {
  const clientIds = account.clients.map(({ id }) => id);
  const [rows, pays] = await Promise.all([findInvoices(house, { clientIds }), clientsPaidBy(house, account)]);
  const invoices = await viewsOf(house, rows);
  return {
    invoices: invoices.map((one) => ({
      ...one,
      mayPay: (one.state === 'open' || one.state === 'late') && pays.has(one.clientId ?? ''),
    })),
  };
}
