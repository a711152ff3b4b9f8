import type { Account } from '@lean-mentor/contract';
import type { LetterToWord } from '@lean-mentor/core/letters';
import { negated, sumOf } from '@lean-mentor/core/money';
import { daysAfter } from '@lean-mentor/core/queue';
import type { Transaction } from 'sequelize';
import { ContractError } from '../../../house/contractError.ts';
import type { House } from '../../../house/house.ts';
import { findAccountsOfClient } from '../../access/index.ts';
import { findClient, isMinor } from '../../clients/index.ts';
import { postLetters } from '../../letters/index.ts';
import { todayOf } from '../hours.ts';
import { findPractice } from '../repository.ts';
import type { InvoiceLine, InvoiceRow } from './model.ts';
import { cancelledLetter, invoiceLetter } from './moneyLetters.ts';
import { findCancellations, findPeriodInvoices, insertInvoice, lockBilling, lockInvoice, nextNumber } from './repository.ts';

/** Most that one invoice can be over. */
const mostCents = 10n ** 10n;

/** Whether an account pays for a client: a guardian for a minor, everybody else for themselves. */
export async function paysFor(house: House, account: Pick<Account, 'role'>, clientId: string): Promise<boolean> {
  const client = await findClient(house, clientId);
  return client !== null && (account.role === 'guardian' || (account.role === 'client' && !isMinor(client)));
}

/** Those of an account's clients for whom it pays. */
export async function clientsPaidBy(house: House, account: Account): Promise<Set<string>> {
  const ids = account.clients.map(({ id }) => id);
  const pays = await Promise.all(ids.map((id) => paysFor(house, account, id)));
  return new Set(ids.filter((_, i) => pays[i]));
}

/** Whom an invoice of a client is addressed to: the guardian of a minor, otherwise the client, as they are called now. */
async function recipientOf(house: House, clientId: string): Promise<string> {
  const client = (await findClient(house, clientId))!;
  const guardian = isMinor(client) && (await findAccountsOfClient(house, clientId)).find(({ role }) => role === 'guardian');
  return guardian ? `${guardian.name} (for ${client.name})` : client.name;
}

/** Writes to whoever pays for a client. */
export async function tellPayer(
  house: House,
  clientId: string,
  letter: (name: string) => LetterToWord,
  transaction: Transaction,
): Promise<void> {
  const minor = isMinor((await findClient(house, clientId))!);
  await postLetters(house, clientId, ({ name, role }) => ((role === 'guardian') === minor ? letter(name) : null), transaction);
}

/** Where an invoice comes from: a period of a plan, a single request, or a coach's own hand. */
export type InvoiceSource = Partial<Pick<InvoiceRow, 'membershipId' | 'periodNo' | 'extraId' | 'madeBy'>>;

/**
 * Writes an invoice with the next number, in a transaction of the caller's: where that is taken back, the number is too, so that none is
 * ever missing. Null, and nothing written, where the practice writes no invoices. Call it after every other lock.
 */
export async function issueInvoice(
  house: House,
  clientId: string,
  items: InvoiceLine[],
  source: InvoiceSource,
  transaction: Transaction,
): Promise<InvoiceRow | null> {
  const billing = await lockBilling(house, transaction);
  if (!billing) return null;
  const practice = await findPractice(house, transaction);
  const [issuedOn, number] = [todayOf(house, practice), await nextNumber(house, transaction)];
  const row: InvoiceRow = {
    ...{ id: house.newId(), number, clientId, recipient: await recipientOf(house, clientId), seller: billing.seller, note: billing.note },
    ...{ issuedOn, dueOn: daysAfter(issuedOn, billing.daysToPay), currency: practice.currency, items },
    ...{ total: sumOf(items.map(({ amount }) => amount)), cancels: null, madeAt: house.now() },
    ...{ membershipId: null, periodNo: null, extraId: null, madeBy: null, ...source },
  };
  await insertInvoice(house, row, transaction);
  await tellPayer(house, clientId, (name) => invoiceLetter(name, row), transaction);
  return row;
}

/** Writes an invoice by hand. */
export async function writeInvoice(house: House, account: Account, clientId: string, items: InvoiceLine[]) {
  if (!(await findClient(house, clientId))) throw new ContractError('not-found');
  const cents = BigInt(sumOf(items.map(({ amount }) => amount)).replace('.', ''));
  if (cents >= mostCents) throw new ContractError('not-valid', { message: 'That is more than one invoice can be over.' });
  const row = await house.db.sequelize.transaction((transaction) =>
    issueInvoice(house, clientId, items, { madeBy: account.id }, transaction),
  );
  if (!row) throw new ContractError('not-now', { message: 'First say from which day you write invoices, and what stands on them.' });
  return { invoiceId: row.id, number: row.number };
}

/** Writes what cancels an invoice, in a transaction of the caller's that holds the lock on billing. */
async function writeCancellation(
  house: House,
  found: InvoiceRow,
  { seller, madeBy, words }: { seller: string; madeBy: string | null; words: string },
  transaction: Transaction,
): Promise<InvoiceRow> {
  const today = todayOf(house, await findPractice(house, transaction));
  const { clientId, recipient, currency } = found;
  const row: InvoiceRow = {
    ...{ id: house.newId(), number: await nextNumber(house, transaction), clientId, recipient, currency, seller, note: words },
    ...{ issuedOn: today, dueOn: today, cancels: found.id, total: negated(found.total), madeBy, madeAt: house.now() },
    items: found.items.map((line) => ({ words: line.words, amount: negated(line.amount) })),
    ...{ membershipId: null, periodNo: null, extraId: null },
  };
  await insertInvoice(house, row, transaction);
  if (clientId) await tellPayer(house, clientId, (name) => cancelledLetter(name, row, found), transaction);
  return row;
}

/** Cancels an invoice by another one, with a number of its own and the same lines the other way round. */
export const cancelInvoice = (house: House, account: Account, invoiceId: string, words: string) =>
  house.db.sequelize.transaction(async (transaction) => {
    const billing = await lockBilling(house, transaction);
    const found = await lockInvoice(house, invoiceId, transaction);
    if (!found) throw new ContractError('not-found');
    if (!billing) throw new ContractError('not-now', { message: 'First say from which day you write invoices again.' });
    if (found.cancels || (await findCancellations(house, [invoiceId], transaction)).length > 0)
      throw new ContractError('not-now', { message: 'This one is cancelled already, or is itself a cancellation.' });
    const row = await writeCancellation(house, found, { seller: billing.seller, madeBy: account.id, words }, transaction);
    return { invoiceId: row.id, number: row.number };
  });

/** A plan ends earlier than it was to: the invoices of periods that now never run (all after the number `ran`) are cancelled. */
export async function cancelPeriodsAfter(house: House, membershipId: string, ran: number, transaction: Transaction): Promise<void> {
  const beyond = (await findPeriodInvoices(house, membershipId, transaction)).filter(({ periodNo }) => periodNo! > ran);
  if (beyond.length === 0) return;
  const billing = await lockBilling(house, transaction);
  const cancelled = new Set(
    (
      await findCancellations(
        house,
        beyond.map(({ id }) => id),
        transaction,
      )
    ).map(({ cancels }) => cancels),
  );
  for (const found of beyond)
    if (!cancelled.has(found.id))
      await writeCancellation(
        house,
        found,
        { seller: billing?.seller ?? found.seller, madeBy: null, words: 'This period of the plan did not run.' },
        transaction,
      );
}
