import type { rooms } from '@lean-mentor/contract';
import { ContractError } from '../../../house/contractError.ts';
import type { House } from '../../../house/house.ts';
import type { Handlers } from '../../../http/serveRoom.ts';
import { pressStandIn, showStandIn } from '../../../payments/index.ts';
import { billPlans } from './billing.ts';
import { invoicePdf } from './invoicePdf.ts';
import { cancelInvoice, writeInvoice } from './issue.ts';
import { moneyCsv } from './moneyCsv.ts';
import { noteMoney, settlePayment, startPayment } from './payments.ts';
import { changeBilling, findInvoice, findPayment } from './repository.ts';
import { getMoney, listOwnInvoices, viewsOf } from './views.ts';

const done = { done: true } as const;

/** What the payment service calls a payment of ours. */
async function referenceOf(house: House, paymentId: string): Promise<string> {
  const payment = await findPayment(house, paymentId);
  if (!payment) throw new ContractError('not-found');
  return payment.reference;
}

export const moneyHandlers: Handlers<typeof rooms.money> = {
  getMoney: (house) => getMoney(house),

  setBilling: async (house, { body }) => {
    if (!(await changeBilling(house, body.billing, body.revision))) throw new ContractError('changed-meanwhile');
    await billPlans(house);
    return done;
  },

  writeInvoice: (house, { account, params, body }) => writeInvoice(house, account, params.clientId, body.lines),

  cancelInvoice: (house, { account, params, body }) => cancelInvoice(house, account, params.invoiceId, body.words),

  noteMoney: async (house, { account, params, body }) => {
    await noteMoney(house, account, params.invoiceId, body);
    return done;
  },

  getInvoicePdf: async (house, { params, res }) => {
    const row = await findInvoice(house, params.invoiceId);
    if (!row) throw new ContractError('not-found');
    const [view] = await viewsOf(house, [row]);
    res
      .attachment(`invoice-${row.number}.pdf`)
      .type('application/pdf')
      .send(await invoicePdf(view!, row));
  },

  getMoneyCsv: async (house, { params, res }) => {
    res
      .attachment(`${params.table}-${params.year}.csv`)
      .type('text/csv')
      .send(await moneyCsv(house, params.year, params.table));
  },

  listOwnInvoices: (house, { account }) => listOwnInvoices(house, account),

  startPayment: (house, { account, params }) => startPayment(house, account, params.invoiceId),

  getStandIn: async (house, { params }) => showStandIn(house, await referenceOf(house, params.paymentId)),

  pressStandIn: async (house, { params, body }) => {
    await pressStandIn(house, await referenceOf(house, params.paymentId), body.key);
    await settlePayment(house, params.paymentId);
    return done;
  },
};
