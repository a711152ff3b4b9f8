export { amountOf, centsOf, negated, sumOf, type Amount } from './amounts.ts';
export { periodsThatRan, periodsToBill, type BilledPeriod } from './billing.ts';
export {
  moneySigns,
  paymentKinds,
  standingOf,
  type InvoiceStanding,
  type InvoiceState,
  type OwedInvoice,
  type PaymentEntry,
  type PaymentKind,
} from './standing.ts';
