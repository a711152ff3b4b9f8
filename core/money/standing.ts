import { amountOf, centsOf, type Amount } from './amounts.ts';

/**
 * What became of the money for an invoice. `on-its-way`: the payer has paid and it has not come yet. `charged-back`: the payer's bank
 * took it back. `paid-back`: the coach returned it. `mistaken`: a payment noted by hand that never was.
 */
export const paymentKinds = ['paid', 'failed', 'on-its-way', 'charged-back', 'paid-back', 'mistaken'] as const;
export type PaymentKind = (typeof paymentKinds)[number];

/** One thing that happened with money for an invoice. Nothing of it is ever changed: what was wrong is put right by another entry. */
export interface PaymentEntry {
  kind: PaymentKind;
  amount: Amount;
  /** Milliseconds of the epoch. */
  at: number;
}

/** An invoice as its standing goes by. Days are YYYY-MM-DD. */
export interface OwedInvoice {
  total: Amount;
  dueOn: string;
  /** Whether another invoice says that this one is void. */
  cancelled: boolean;
}

export type InvoiceState = 'open' | 'on-its-way' | 'late' | 'paid' | 'cancelled' | 'to-pay-back';

/** How an invoice stands. `open` is what is still owed; below zero, what is to be paid back. */
export interface InvoiceStanding {
  state: InvoiceState;
  open: Amount;
}

/** Money said to be on its way makes nobody late for so long, in ms: banks take days, and some of it never comes. */
const onItsWayMs = 7 * 86_400_000;

/** Which way the money of each kind of entry goes: 1 to the coach, -1 away again, 0 where none has moved. */
export const moneySigns: Readonly<Record<PaymentKind, -1 | 0 | 1>> = {
  ...{ paid: 1, failed: 0, 'on-its-way': 0, 'charged-back': -1, 'paid-back': -1, mistaken: -1 },
};

/** What was paid for an invoice and stayed. */
const paidCents = (entries: readonly PaymentEntry[]): bigint =>
  entries.reduce((sum, { kind, amount }) => sum + BigInt(moneySigns[kind]) * centsOf(amount), 0n);

/** Whether the last word on the money is that it is on its way. */
function isOnItsWay(entries: readonly PaymentEntry[], nowAt: number): boolean {
  const last = [...entries].sort((a, b) => a.at - b.at).at(-1);
  return last?.kind === 'on-its-way' && nowAt - last.at < onItsWayMs;
}

/** How an invoice stands on a day (`today`, YYYY-MM-DD, at `nowAt`) after all that was paid for it. */
export function standingOf(
  { total, dueOn, cancelled }: OwedInvoice,
  entries: readonly PaymentEntry[],
  today: string,
  nowAt: number,
): InvoiceStanding {
  const openCents = (cancelled ? 0n : centsOf(total)) - paidCents(entries);
  const open = amountOf(openCents);
  if (openCents < 0n) return { state: 'to-pay-back', open };
  if (cancelled) return { state: 'cancelled', open };
  if (openCents === 0n) return { state: 'paid', open };
  if (isOnItsWay(entries, nowAt)) return { state: 'on-its-way', open };
  return { state: today > dueOn ? 'late' : 'open', open };
}
