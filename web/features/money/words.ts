import type { Invoice, MoneyEntry } from '@lean-mentor/contract';
import { centsOf, negated, sumOf } from '@lean-mentor/core/money';
import { assertNever } from '@lean-mentor/core/never';
import { dayName } from '../plans/index.ts';

/** How an invoice stands, in a few words. */
export function stateWords({ state, open, total, dueOn, cancels, cancelledBy, currency }: Invoice): string {
  if (cancels !== null) return `cancels ${cancels}`;
  const part = open !== total && (state === 'open' || state === 'late') ? `, ${open} ${currency} of it` : '';
  switch (state) {
    case 'open':
      return `due by ${dayName(dueOn)}${part}`;
    case 'late':
      return `late since ${dayName(dueOn)}${part}`;
    case 'on-its-way':
      return 'its money is on its way';
    case 'paid':
      return 'paid';
    case 'cancelled':
      return `cancelled by ${cancelledBy}`;
    case 'to-pay-back':
      return `${negated(open)} ${currency} to pay back`;
    default:
      return assertNever(state);
  }
}

export const entryWords: Record<MoneyEntry['kind'], string> = {
  paid: 'paid',
  failed: 'did not go through',
  'on-its-way': 'on its way',
  'charged-back': 'taken back by the bank',
  'paid-back': 'paid back',
  mistaken: 'noted by mistake',
};

const owes = ({ state }: Invoice): boolean => state === 'open' || state === 'late' || state === 'on-its-way';

/** Sums of one currency after another: "45.00 EUR and 30.00 NOK". */
const sumWords = (invoices: readonly Invoice[], amountOf: (one: Invoice) => string): string =>
  [...new Set(invoices.map(({ currency }) => currency))]
    .map((currency) => `${sumOf(invoices.filter((one) => one.currency === currency).map(amountOf))} ${currency}`)
    .join(' and ');

/** What is owed in all, and what of it is late: the head of the page. */
export function owedWords(invoices: readonly Invoice[]): string {
  const [open, late] = [invoices.filter(owes), invoices.filter(({ state }) => state === 'late')];
  const back = invoices.filter(({ open: left }) => centsOf(left) < 0n);
  const owed =
    open.length === 0
      ? 'Nothing is owed.'
      : `${sumWords(open, (one) => one.open)} to come, from ${open.length === 1 ? 'one invoice' : `${open.length} invoices`}.`;
  const lately = late.length === 0 ? '' : ` ${sumWords(late, (one) => one.open)} of it is late.`;
  return `${owed}${lately}${back.length === 0 ? '' : ` ${sumWords(back, (one) => negated(one.open))} to pay back.`}`;
}

/** Invoices that are of interest now: owed, late or to be paid back. */
export const isUnsettled = (one: Invoice): boolean => owes(one) || one.state === 'to-pay-back';

/** Whether a row holds what was typed: a number, or part of a name or of what it is for. */
export function holds({ number, recipient, lines }: Invoice, typed: string): boolean {
  const words = typed.trim().toLowerCase();
  return (
    words === '' ||
    String(number) === words ||
    [recipient, ...lines.map((line) => line.words)].some((text) => text.toLowerCase().includes(words))
  );
}
