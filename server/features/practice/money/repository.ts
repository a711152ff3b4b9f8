import type { Billing } from '@lean-mentor/contract';
import { moneySigns } from '@lean-mentor/core/money';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { amountOfColumn, plain, plainAll } from '../../../db/table.ts';
import { changeSetting, findSetting } from '../../../db/versionedSetting.ts';
import type { House } from '../../../house/house.ts';
import type { InvoiceRow, MoneyEntryRow, PaymentRow } from './model.ts';

const inside = (transaction?: Transaction) => (transaction ? { transaction } : {});
const locked = (transaction: Transaction) => ({ transaction, lock: transaction.LOCK.UPDATE });

const settingName = 'billing';
export interface BillingSetting {
  billing: Billing;
  revision: number;
}
const startingBilling: BillingSetting = { billing: { fromOn: null, seller: '', note: '', daysToPay: 14 }, revision: 0 };

export const findBilling = (house: House): Promise<BillingSetting> => findSetting(house, settingName, startingBilling);

/** What goes onto invoices, locked: one invoice is written after another. Null where the practice writes none. */
export async function lockBilling({ db }: House, transaction: Transaction): Promise<Billing | null> {
  const found = plain(await db.practiceSettings.findByPk(settingName, locked(transaction)))?.value as BillingSetting | undefined;
  return found?.billing.fromOn ? found.billing : null;
}

/** Sets it; false, and nothing changed, where it is not as the caller knew it. */
export const changeBilling = (house: House, billing: Billing, knownRevision: number): Promise<boolean> =>
  changeSetting(house, settingName, startingBilling, () => ({ billing }), knownRevision);

/** The number of the next invoice. Only with billing locked: then nobody else takes it, and it is free again where nothing came of it. */
export async function nextNumber({ db }: House, transaction: Transaction): Promise<number> {
  const [row] = await db.sequelize.query<{ last: number | null }>('SELECT MAX(number) AS last FROM invoices FOR UPDATE', {
    type: QueryTypes.SELECT,
    transaction,
  });
  return Number(row?.last ?? 0) + 1;
}

const invoiceOf = (row: InvoiceRow): InvoiceRow => ({ ...row, total: amountOfColumn(row.total) });

export async function insertInvoice({ db }: House, row: InvoiceRow, transaction: Transaction): Promise<void> {
  await db.invoices.create(row, { transaction });
}

export const findInvoice = async ({ db }: House, id: string): Promise<InvoiceRow | null> => {
  const row = plain(await db.invoices.findByPk(id));
  return row && invoiceOf(row);
};

export const lockInvoice = async ({ db }: House, id: string, transaction: Transaction): Promise<InvoiceRow | null> => {
  const row = plain(await db.invoices.findByPk(id, locked(transaction)));
  return row && invoiceOf(row);
};

/** Invoices by id, of clients, or issued in a span of days (both ends in it); newest first. */
export async function findInvoices(
  { db }: House,
  which: { ids?: readonly string[]; clientIds?: readonly string[]; issued?: { from: string; to: string } },
): Promise<InvoiceRow[]> {
  const where = {
    ...(which.ids && { id: [...which.ids] }),
    ...(which.clientIds && { clientId: [...which.clientIds] }),
    ...(which.issued && { issuedOn: { [Op.between]: [which.issued.from, which.issued.to] } }),
  };
  return plainAll(await db.invoices.findAll({ where, order: [['number', 'DESC']] })).map(invoiceOf);
}

/** The invoices that cancel some others. */
export const findCancellations = async ({ db }: House, ids: readonly string[], transaction?: Transaction): Promise<InvoiceRow[]> =>
  plainAll(await db.invoices.findAll({ where: { cancels: [...ids] }, ...inside(transaction) })).map(invoiceOf);

/** What happened with the money for some invoices, oldest first. */
export const findEntries = async ({ db }: House, invoiceIds: readonly string[], transaction?: Transaction): Promise<MoneyEntryRow[]> =>
  plainAll(await db.moneyEntries.findAll({ where: { invoiceId: [...invoiceIds] }, order: [['at', 'ASC']], ...inside(transaction) })).map(
    (row) => ({ ...row, amount: amountOfColumn(row.amount) }),
  );

/** What happened with money in a span of time, oldest first. */
export const findEntriesBetween = async ({ db }: House, from: Date, to: Date): Promise<MoneyEntryRow[]> =>
  plainAll(await db.moneyEntries.findAll({ where: { at: { [Op.gte]: from, [Op.lt]: to } }, order: [['at', 'ASC']] })).map((row) => ({
    ...row,
    amount: amountOfColumn(row.amount),
  }));

/** Keeps an entry; false where the same one is kept already. */
export async function addEntry({ db }: House, row: MoneyEntryRow, transaction: Transaction): Promise<boolean> {
  const same = row.event ? { paymentId: row.paymentId, event: row.event } : { id: row.id };
  if (await db.moneyEntries.findOne({ where: same, transaction })) return false;
  await db.moneyEntries.create(row, { transaction });
  return true;
}

const signedSum = `SUM(amount * CASE kind ${Object.entries(moneySigns)
  .map(([kind, sign]) => `WHEN '${kind}' THEN ${sign}`)
  .join(' ')} END)`;

/** Invoices that are no cancellations and for which not just what is owed has come: of some clients, or due in a span of days. */
export async function findUnsettled(
  { db }: House,
  {
    clientIds,
    dueBefore,
    dueFrom,
    notReminded,
  }: { clientIds?: readonly string[]; dueBefore?: string; dueFrom?: string; notReminded?: true },
  transaction?: Transaction,
): Promise<InvoiceRow[]> {
  if (clientIds?.length === 0) return [];
  const rows = await db.sequelize.query<{ id: string }>(
    `SELECT i.id FROM invoices i LEFT JOIN invoices c ON c.cancels = i.id
     WHERE i.cancels IS NULL ${clientIds ? 'AND i.client_id IN (:clientIds)' : ''} ${dueBefore ? 'AND i.due_on < :dueBefore' : ''}
       ${dueFrom ? 'AND i.due_on >= :dueFrom' : ''} ${notReminded ? 'AND i.reminded_at IS NULL' : ''}
       AND COALESCE((SELECT ${signedSum} FROM money_entries e WHERE e.invoice_id = i.id), 0) <> IF(c.id IS NULL, i.total, 0)`,
    { replacements: { clientIds: [...(clientIds ?? [])], dueBefore, dueFrom }, type: QueryTypes.SELECT, ...inside(transaction) },
  );
  if (rows.length === 0) return [];
  const found = await db.invoices.findAll({ where: { id: rows.map(({ id }) => id) }, ...inside(transaction) });
  return plainAll(found).map(invoiceOf);
}

/** The number of the newest period that was invoiced, of each membership of which one ever was. */
export async function findLastBilled({ db }: House): Promise<Map<string, number>> {
  const rows = await db.sequelize.query<{ membershipId: string; last: number }>(
    'SELECT membership_id AS membershipId, MAX(period_no) AS last FROM invoices WHERE membership_id IS NOT NULL GROUP BY membership_id',
    { type: QueryTypes.SELECT },
  );
  return new Map(rows.map(({ membershipId, last }) => [membershipId, Number(last)]));
}

/** The invoices of a membership's periods. */
export const findPeriodInvoices = async ({ db }: House, membershipId: string, transaction: Transaction): Promise<InvoiceRow[]> =>
  plainAll(await db.invoices.findAll({ where: { membershipId }, transaction })).map(invoiceOf);

/** Sums of what was invoiced in one currency, by month of issue (YYYY-MM), from a day on. */
export const findInvoicedByMonth = ({ db }: House, currency: string, from: string): Promise<{ month: string; sum: string }[]> =>
  db.sequelize.query<{ month: string; sum: string }>(
    `SELECT LEFT(issued_on, 7) AS month, CAST(SUM(total) AS CHAR) AS sum FROM invoices WHERE currency = :currency AND issued_on >= :from GROUP BY 1`,
    { replacements: { currency, from }, type: QueryTypes.SELECT },
  );

/** Sums of what came and stayed in one currency, by month (YYYY-MM, of UTC), from a day on. */
export const findCameByMonth = ({ db }: House, currency: string, from: string): Promise<{ month: string; sum: string }[]> =>
  db.sequelize.query<{ month: string; sum: string }>(
    `SELECT LEFT(e.at, 7) AS month, CAST(${signedSum.replaceAll('amount', 'e.amount')} AS CHAR) AS sum
     FROM money_entries e JOIN invoices i ON i.id = e.invoice_id WHERE i.currency = :currency AND e.at >= :from GROUP BY 1`,
    { replacements: { currency, from }, type: QueryTypes.SELECT },
  );

export async function findInvoiceYears({ db }: House): Promise<number[]> {
  const rows = await db.sequelize.query<{ year: number }>('SELECT DISTINCT YEAR(issued_on) AS year FROM invoices ORDER BY year DESC', {
    type: QueryTypes.SELECT,
  });
  return rows.map(({ year }) => Number(year));
}

/** Notes that a reminder went out; false where one did already. */
export async function markReminded({ db }: House, id: string, at: Date, transaction: Transaction): Promise<boolean> {
  const [many] = await db.invoices.update({ remindedAt: at }, { where: { id, remindedAt: null }, transaction });
  return many === 1;
}

const paymentOf = (row: PaymentRow): PaymentRow => ({ ...row, amount: amountOfColumn(row.amount) });

export async function insertPayment({ db }: House, row: PaymentRow): Promise<void> {
  await db.payments.create(row);
}

export const findPayment = async ({ db }: House, id: string): Promise<PaymentRow | null> => {
  const row = plain(await db.payments.findByPk(id));
  return row && paymentOf(row);
};

/** A payment of an invoice that was begun since an instant and of which nothing was heard yet. */
export async function findBegunPayment({ db }: House, invoiceId: string, since: Date): Promise<PaymentRow | null> {
  const rows = plainAll(await db.payments.findAll({ where: { invoiceId, begunAt: { [Op.gte]: since } }, order: [['begunAt', 'DESC']] }));
  const heard = plainAll(await db.moneyEntries.findAll({ where: { paymentId: rows.map(({ id }) => id) } }));
  const row = rows.find(({ id }) => !heard.some(({ paymentId }) => paymentId === id));
  return row ? paymentOf(row) : null;
}

/** Notes when a payment's service was last asked. */
export async function markAsked({ db }: House, id: string, askedAt: Date): Promise<void> {
  await db.payments.update({ askedAt }, { where: { id } });
}

/**
 * Payments whose service is to be asked again: young ones each time, others that did not come yet every hour, those that came once a day,
 * for as long as a bank may take money back.
 */
export async function findPaymentsToAsk({ db }: House, now: Date): Promise<PaymentRow[]> {
  const rows = await db.sequelize.query<{ id: string }>(
    `SELECT p.id FROM payments p WHERE p.begun_at > :now - INTERVAL 120 DAY AND (p.asked_at IS NULL
       OR (p.begun_at > :now - INTERVAL 1 HOUR)
       OR (p.asked_at < :now - INTERVAL 1 HOUR AND p.begun_at > :now - INTERVAL 30 DAY
         AND NOT EXISTS (SELECT 1 FROM money_entries e WHERE e.payment_id = p.id AND e.kind = 'paid'))
       OR p.asked_at < :now - INTERVAL 1 DAY)
     ORDER BY p.asked_at LIMIT 200`,
    { replacements: { now }, type: QueryTypes.SELECT },
  );
  return plainAll(await db.payments.findAll({ where: { id: rows.map(({ id }) => id) } })).map(paymentOf);
}
