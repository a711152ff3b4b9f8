import type { Account, BodyOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { amountOf, centsOf, moneySigns } from '@lean-mentor/core/money';
import { ContractError } from '../../../house/contractError.ts';
import type { House } from '../../../house/house.ts';
import { paymentProvider } from '../../../payments/index.ts';
import { paysFor } from './issue.ts';
import { standingOfOne } from './late.ts';
import type { MoneyEntryRow, PaymentRow } from './model.ts';
import {
  addEntry,
  findBegunPayment,
  findInvoice,
  findPayment,
  findPaymentsToAsk,
  insertPayment,
  lockInvoice,
  markAsked,
} from './repository.ts';

/** A payment that was begun is gone on with for so long, in ms: a second press opens the same page. */
const goOnMs = 3_600_000;

/** Begins to pay what is open of an invoice; answers the service's page. */
export async function startPayment(house: House, account: Account, invoiceId: string): Promise<{ page: string }> {
  const row = await findInvoice(house, invoiceId);
  if (!row?.clientId) throw new ContractError('not-found');
  if (!(await paysFor(house, account, row.clientId)))
    throw new ContractError('not-allowed', { message: 'Your guardian pays this: it stands on their page.' });
  const { standing } = await standingOfOne(house, row);
  if (centsOf(standing.open) <= 0n || standing.state === 'on-its-way')
    throw new ContractError('not-now', { message: 'There is nothing to pay here now.' });
  const begun = await findBegunPayment(house, invoiceId, new Date(house.now().getTime() - goOnMs));
  if (begun?.amount === standing.open) return { page: begun.page };
  const provider = paymentProvider(house);
  const id = house.newId();
  const order = { paymentId: id, amount: standing.open, currency: row.currency, words: `Invoice ${row.number}` };
  const { reference, page } = await provider.begin(order);
  await insertPayment(house, {
    ...{ id, invoiceId, provider: provider.name, reference, amount: standing.open, page },
    ...{ begunBy: account.id, begunAt: house.now(), askedAt: null },
  });
  return { page };
}

/** Asks the service what came of a payment, and keeps what is new. */
async function settle(house: House, payment: PaymentRow): Promise<void> {
  const { id: paymentId, invoiceId, provider, reference } = payment;
  const service = paymentProvider(house);
  // A payment of a service that is no longer built in stays as it was last heard of.
  const events = service.name === provider ? await service.news(reference) : [];
  await house.db.sequelize.transaction(async (transaction) => {
    await lockInvoice(house, invoiceId, transaction);
    for (const { id: event, kind, amount, at } of events)
      await addEntry(
        house,
        {
          ...{ id: house.newId(), invoiceId, paymentId, event, kind, amount, at },
          ...{ words: provider, madeBy: null, madeAt: house.now() },
        },
        transaction,
      );
  });
  await markAsked(house, paymentId, house.now());
}

export async function settlePayment(house: House, paymentId: string): Promise<void> {
  const payment = await findPayment(house, paymentId);
  if (payment) await settle(house, payment);
}

/** Asks what came of all payments that something may still come of. One service that fails keeps none of the others waiting. */
export async function askAfterPayments(house: House): Promise<void> {
  for (const payment of await findPaymentsToAsk(house, house.now()))
    await settle(house, payment).catch((error: unknown) =>
      house.log.warn({ err: error, payment: payment.id }, 'a payment was not asked for'),
    );
}

/** What was noted by hand as paid and not taken back, in cents. */
const byHandCents = (entries: readonly MoneyEntryRow[]): bigint =>
  entries
    .filter(({ paymentId, kind }) => paymentId === null && (kind === 'paid' || kind === 'mistaken'))
    .reduce((sum, { kind, amount }) => sum + BigInt(moneySigns[kind]) * centsOf(amount), 0n);

/** Notes by hand what happened with money: no more than is open, no more paid back than is to be, no more mistaken than was noted. */
export const noteMoney = (house: House, account: Account, invoiceId: string, noted: BodyOf<typeof contract.noteMoney>): Promise<void> =>
  house.db.sequelize.transaction(async (transaction) => {
    const row = await lockInvoice(house, invoiceId, transaction);
    if (!row) throw new ContractError('not-found');
    const { entries, standing } = await standingOfOne(house, row, transaction);
    if (entries.some(({ id }) => id === noted.id)) return;
    const openCents = centsOf(standing.open);
    const most = { paid: openCents, 'paid-back': -openCents, mistaken: byHandCents(entries) }[noted.kind];
    if (row.cancels || centsOf(noted.amount) > most) {
      const at = amountOf(most > 0n && !row.cancels ? most : 0n);
      const message = {
        paid: `Only ${at} of this invoice is still open.`,
        'paid-back': `Only ${at} of this invoice is to be paid back.`,
        mistaken: `Only ${at} was noted by hand as paid.`,
      }[noted.kind];
      throw new ContractError('not-valid', { message, fields: [{ field: 'amount', why: message }] });
    }
    const { id, kind, amount, words } = noted;
    const at = house.now();
    await addEntry(
      house,
      { ...{ id, invoiceId, paymentId: null, event: null, kind, amount, at, words }, ...{ madeBy: account.id, madeAt: at } },
      transaction,
    );
  });
