import { paymentKinds } from '@lean-mentor/core/money';
import { z } from 'zod';
import { done, id, instant, written } from './ids.ts';
import { operation } from './operation.ts';
import { amount } from './practice.ts';

const day = z.iso.date();
/** An amount that may be below zero: of a cancellation, or what is to be paid back. */
const anyAmount = z.string().regex(/^-?\d{1,8}\.\d{2}$/);
const positive = amount.refine((text) => text !== '0.00', 'Write more than nothing.');

/** What the coach says of themselves on an invoice, and from when there are any. */
export const billing = z.object({
  /** The first day of which periods are invoiced; null: the practice writes no invoices. */
  fromOn: day.nullable(),
  /** Who writes the invoice: name, address, whatever the law of the place wants there. */
  seller: z.string().trim().max(1000, 'At most 1000 characters.'),
  /** Below the sum: how to pay, words on taxes. Nothing of a tax is reckoned here. */
  note: z.string().trim().max(1000, 'At most 1000 characters.'),
  /** Days until an invoice is due. */
  daysToPay: z.int('Write whole days.').min(0).max(180),
});
export type Billing = z.infer<typeof billing>;

export const invoiceLine = z.object({ words: written(200), amount: positive });
const states = ['open', 'on-its-way', 'late', 'paid', 'cancelled', 'to-pay-back'] as const;

/** One thing that happened with the money for an invoice. */
export const moneyEntry = z.object({
  id,
  kind: z.enum(paymentKinds),
  amount,
  at: instant,
  words: z.string(),
  /** Whether a payment service told it, or the coach noted it. */
  byHand: z.boolean(),
});
export type MoneyEntry = z.infer<typeof moneyEntry>;

/** An invoice, or the cancellation of one. It is never changed; how it stands follows from what happened with the money. */
export const invoice = z.object({
  id,
  /** Without gaps, counted through the practice. */
  number: z.int().min(1),
  clientId: id.nullable(),
  /** Whom it is addressed to: the guardian of a minor, the client, as they were called then. */
  recipient: z.string(),
  issuedOn: day,
  dueOn: day,
  /** ISO 4217. */
  currency: z.string().length(3),
  lines: z.array(z.object({ words: z.string(), amount: anyAmount })),
  total: anyAmount,
  /** The number of the invoice that this one cancels. */
  cancels: z.int().nullable(),
  /** The number of the one that cancels it. */
  cancelledBy: z.int().nullable(),
  state: z.enum(states),
  /** What is still owed; below zero: what is to be paid back. */
  open: anyAmount,
  entries: z.array(moneyEntry),
});
export type Invoice = z.infer<typeof invoice>;

const room = { room: 'money', about: ['money'] } as const;
const coachOnly = ['coach'] as const;
const paying = ['client', 'guardian'] as const;
const invoiceParams = z.object({ invoiceId: id });

export const getMoney = operation({
  ...room,
  name: 'getMoney',
  method: 'get',
  path: '/api/money',
  access: coachOnly,
  summary: 'What goes onto invoices, the invoices of the last two years with how they stand, and what was invoiced and came by month.',
  response: z.object({
    billing,
    revision: z.int(),
    currency: z.string().length(3),
    /** Newest first; older ones too, where something of them is still open. */
    invoices: z.array(invoice),
    /** The last twelve months, oldest first, in the currency of today. */
    months: z.array(z.object({ month: z.string(), invoiced: anyAmount, came: anyAmount })),
    /** Years of which there are invoices, newest first. */
    years: z.array(z.int()),
  }),
});

export const setBilling = operation({
  ...room,
  name: 'setBilling',
  about: ['money', 'letter'],
  method: 'put',
  path: '/api/money/billing',
  access: coachOnly,
  summary: 'Sets what goes onto invoices from now on; those that were written stay. Refused when it was changed since `revision`.',
  body: z.object({ revision: z.int(), billing }),
  response: done,
});

export const writeInvoice = operation({
  ...room,
  name: 'writeInvoice',
  about: ['money', 'letter'],
  method: 'post',
  path: '/api/clients/:clientId/invoices',
  access: coachOnly,
  summary: 'Writes an invoice by hand. Those of plans and of single requests write themselves.',
  params: z.object({ clientId: id }),
  body: z.object({ lines: z.array(invoiceLine).min(1).max(30) }),
  response: z.object({ invoiceId: id, number: z.int() }),
});

export const cancelInvoice = operation({
  ...room,
  name: 'cancelInvoice',
  about: ['money', 'letter'],
  method: 'post',
  path: '/api/invoices/:invoiceId/cancel',
  access: coachOnly,
  summary: 'Cancels an invoice by another one with a number of its own; the first stays as it is.',
  params: invoiceParams,
  body: z.object({ words: z.string().trim().max(200) }),
  response: z.object({ invoiceId: id, number: z.int() }),
});

export const noteMoney = operation({
  ...room,
  name: 'noteMoney',
  about: ['money', 'request'],
  method: 'post',
  path: '/api/invoices/:invoiceId/entries',
  access: coachOnly,
  summary: 'Notes by hand that money came or was paid back, or that a payment noted by hand was a mistake.',
  params: invoiceParams,
  body: z.object({
    /** By the caller, so that what is sent twice is noted once. */
    id,
    kind: z.enum(['paid', 'paid-back', 'mistaken']),
    amount: positive,
    words: z.string().trim().max(200),
  }),
  response: done,
});

export const getInvoicePdf = operation({
  ...room,
  name: 'getInvoicePdf',
  method: 'get',
  path: '/api/invoices/:invoiceId/pdf',
  access: ['coach', 'client', 'guardian'],
  summary: 'An invoice as PDF, A4.',
  params: invoiceParams,
  stream: 'application/pdf',
});

export const getMoneyCsv = operation({
  ...room,
  name: 'getMoneyCsv',
  method: 'get',
  path: '/api/money/:year/:table',
  access: coachOnly,
  summary: 'All invoices of a year, or all that happened with money in it, as CSV.',
  params: z.object({ year: z.coerce.number().int().min(2000).max(2999), table: z.enum(['invoices', 'entries']) }),
  stream: 'text/csv',
});

export const listOwnInvoices = operation({
  ...room,
  name: 'listOwnInvoices',
  method: 'get',
  path: '/api/own-invoices',
  access: paying,
  summary: 'The invoices of the caller’s clients, newest first, with how they stand and whether the caller may pay them here.',
  response: z.object({ invoices: z.array(invoice.extend({ mayPay: z.boolean() })) }),
});

export const startPayment = operation({
  ...room,
  name: 'startPayment',
  method: 'post',
  path: '/api/invoices/:invoiceId/payments',
  access: paying,
  summary: 'Begins to pay what is open of an invoice; answers where the payment service takes it.',
  params: invoiceParams,
  response: z.object({ page: z.string() }),
});

/** What the stand-in of a payment service can be told to do. */
export const standInKeys = ['pays', 'fails', 'is-late', 'charges-back'] as const;
export type StandInKey = (typeof standInKeys)[number];
const standInParams = z.object({ paymentId: id });

export const getStandIn = operation({
  ...room,
  name: 'getStandIn',
  method: 'get',
  path: '/api/stand-in-payments/:paymentId',
  access: paying,
  summary: 'What the stand-in of a payment service shows: no money moves, and nothing of a card is asked.',
  params: standInParams,
  response: z.object({
    amount,
    currency: z.string().length(3),
    words: z.string(),
    /** What it was told so far, the last last. */
    told: z.array(z.enum(standInKeys)),
    /** What it can be told now. */
    keys: z.array(z.enum(standInKeys)),
  }),
});

export const pressStandIn = operation({
  ...room,
  name: 'pressStandIn',
  about: ['money', 'request'],
  method: 'post',
  path: '/api/stand-in-payments/:paymentId/keys',
  access: paying,
  summary: 'Tells the stand-in what happens with a payment.',
  params: standInParams,
  body: z.object({ key: z.enum(standInKeys) }),
  response: done,
});
