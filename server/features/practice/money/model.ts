import type { Amount, PaymentKind } from '@lean-mentor/core/money';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../../db/table.ts';

export interface InvoiceLine {
  words: string;
  amount: Amount;
}

/** An invoice as it was written: nothing of it changes, but that its client may be removed and that a reminder went out. */
export interface InvoiceRow {
  id: string;
  number: number;
  clientId: string | null;
  recipient: string;
  seller: string;
  note: string;
  issuedOn: string;
  dueOn: string;
  currency: string;
  items: InvoiceLine[];
  total: Amount;
  /** The invoice that this one cancels. */
  cancels: string | null;
  /** The period of a plan by its number, or the single request, that it is for. */
  membershipId: string | null;
  periodNo: number | null;
  extraId: string | null;
  /** The coach who wrote it by hand; null of one that wrote itself. */
  madeBy: string | null;
  madeAt: Date;
  remindedAt?: Date | null;
}

/** A payment that was begun at a payment service. Nothing of a card or an account is kept: only what the service calls it. */
export interface PaymentRow {
  id: string;
  invoiceId: string;
  provider: string;
  reference: string;
  amount: Amount;
  page: string;
  begunBy: string | null;
  begunAt: Date;
  /** When the service was last asked what came of it. */
  askedAt: Date | null;
}

export interface MoneyEntryRow {
  id: string;
  invoiceId: string;
  /** The payment and the service's event that told it; null of one noted by hand. */
  paymentId: string | null;
  event: string | null;
  kind: PaymentKind;
  amount: Amount;
  at: Date;
  words: string;
  madeBy: string | null;
  madeAt: Date;
}

const amountColumn = DataTypes.DECIMAL(10, 2);

export const moneyTables = (sequelize: Sequelize) => ({
  invoices: defineTable<InvoiceRow>(sequelize, 'invoices', {
    id: key(),
    number: DataTypes.INTEGER,
    clientId: DataTypes.UUID,
    recipient: DataTypes.STRING,
    seller: DataTypes.TEXT,
    note: DataTypes.TEXT,
    issuedOn: DataTypes.DATEONLY,
    dueOn: DataTypes.DATEONLY,
    currency: DataTypes.STRING,
    items: DataTypes.JSON,
    total: amountColumn,
    cancels: DataTypes.UUID,
    membershipId: DataTypes.UUID,
    periodNo: DataTypes.INTEGER,
    extraId: DataTypes.UUID,
    madeBy: DataTypes.UUID,
    madeAt: instantColumn,
    remindedAt: instantColumn,
  }),
  payments: defineTable<PaymentRow>(sequelize, 'payments', {
    id: key(),
    invoiceId: DataTypes.UUID,
    provider: DataTypes.STRING,
    reference: DataTypes.STRING,
    amount: amountColumn,
    page: DataTypes.STRING,
    begunBy: DataTypes.UUID,
    begunAt: instantColumn,
    askedAt: instantColumn,
  }),
  moneyEntries: defineTable<MoneyEntryRow>(sequelize, 'money_entries', {
    id: key(),
    invoiceId: DataTypes.UUID,
    paymentId: DataTypes.UUID,
    event: DataTypes.STRING,
    kind: DataTypes.STRING,
    amount: amountColumn,
    at: instantColumn,
    words: DataTypes.STRING,
    madeBy: DataTypes.UUID,
    madeAt: instantColumn,
  }),
});
