import type { InvoiceRow } from './model.ts';

interface Words {
  subject: string;
  body: string;
}

const sumOf = ({ total, currency }: Pick<InvoiceRow, 'total' | 'currency'>): string => `${total} ${currency}`;
const where = 'You find it under “Your plan” when you sign in, as PDF too.';

/** To whoever pays for a client: an invoice was written. */
export const invoiceLetter = (name: string, row: InvoiceRow): Words => ({
  subject: `Invoice ${row.number}`,
  body: `Hello ${name},\n\ninvoice ${row.number} over ${sumOf(row)} is due by ${row.dueOn}: ${row.items.map(({ words }) => words).join('; ')}. ${where}`,
});

/** To whoever pays for a client: an invoice does not count any more. */
export const cancelledLetter = (name: string, row: InvoiceRow, cancelled: InvoiceRow): Words => ({
  subject: `Invoice ${cancelled.number} is cancelled`,
  body: `Hello ${name},\n\ninvoice ${row.number} cancels invoice ${cancelled.number}; there is nothing to pay for it. What you have paid for it comes back to you. ${where}`,
});

/** To whoever pays for a client: an invoice is late. It says what that means, and what it does not. */
export const reminderLetter = (name: string, row: InvoiceRow, open: string): Words => ({
  subject: `Invoice ${row.number} is late`,
  body: `Hello ${name},\n\nof invoice ${row.number}, due by ${row.dueOn}, ${open} ${row.currency} has not come yet. Until it has, new requests are looked at after those of others. All your footage and critiques stay open to you. ${where}`,
});
