import { standingOf, type InvoiceStanding } from '@lean-mentor/core/money';
import type { Transaction } from 'sequelize';
import type { House } from '../../../house/house.ts';
import { todayOf } from '../hours.ts';
import { findPractice } from '../repository.ts';
import type { InvoiceRow, MoneyEntryRow } from './model.ts';
import { findCancellations, findEntries, findUnsettled } from './repository.ts';

/** Some invoices with what happened with their money, which cancels them, and how they stand today. */
export interface StandingInvoice {
  row: InvoiceRow;
  entries: MoneyEntryRow[];
  cancelledBy: InvoiceRow | null;
  standing: InvoiceStanding;
}

/** How invoices stand on this day, where the coach is. A cancellation itself is neither owed nor late. */
export async function standingsOf(house: House, rows: readonly InvoiceRow[], transaction?: Transaction): Promise<StandingInvoice[]> {
  if (rows.length === 0) return [];
  const ids = rows.map(({ id }) => id);
  const practice = await findPractice(house, transaction);
  const [entries, cancellations] = [await findEntries(house, ids, transaction), await findCancellations(house, ids, transaction)];
  const cancelOf = new Map(cancellations.map((one) => [one.cancels, one]));
  const entriesOf = new Map<string, MoneyEntryRow[]>(ids.map((id) => [id, []]));
  for (const entry of entries) entriesOf.get(entry.invoiceId)!.push(entry);
  const [today, nowAt] = [todayOf(house, practice), house.now().getTime()];
  return rows.map((row) => {
    const own = entriesOf.get(row.id)!;
    const cancelledBy = cancelOf.get(row.id) ?? null;
    const happened = own.map(({ kind, amount, at }) => ({ kind, amount, at: at.getTime() }));
    const standing = standingOf({ ...row, cancelled: cancelledBy !== null || row.cancels !== null }, happened, today, nowAt);
    return { row, entries: own, cancelledBy, standing };
  });
}

/** How one invoice stands on this day. */
export const standingOfOne = async (house: House, row: InvoiceRow, transaction?: Transaction): Promise<StandingInvoice> =>
  (await standingsOf(house, [row], transaction))[0]!;

/** Invoices that are late: of some clients, or of all; `notReminded`: of which nobody was reminded yet. */
export async function lateInvoices(
  house: House,
  which: { clientIds?: readonly string[]; dueFrom?: string; notReminded?: true } = {},
  transaction?: Transaction,
): Promise<StandingInvoice[]> {
  const dueBefore = todayOf(house, await findPractice(house, transaction));
  const rows = await findUnsettled(house, { ...which, dueBefore }, transaction);
  return (await standingsOf(house, rows, transaction)).filter(({ standing }) => standing.state === 'late');
}

/** Which of some clients are late with a payment: their requests go after those of others; what is theirs stays open to them. */
export const lateClients = async (house: House, clientIds: readonly string[], transaction?: Transaction): Promise<Set<string>> =>
  new Set((await lateInvoices(house, { clientIds }, transaction)).flatMap(({ row }) => row.clientId ?? []));
