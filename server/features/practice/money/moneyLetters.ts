import type { LetterToWord } from '@lean-mentor/core/letters';
import type { InvoiceRow } from './model.ts';

/** To whoever pays for a client: an invoice was written. */
export const invoiceLetter = (name: string, { number, total, currency, dueOn, items }: InvoiceRow): LetterToWord => ({
  kind: 'invoice',
  values: { name, number: String(number), sum: `${total} ${currency}`, due: dueOn, for: items.map(({ words }) => words).join('; ') },
});

/** To whoever pays for a client: an invoice does not count any more. */
export const cancelledLetter = (name: string, { number }: InvoiceRow, cancelled: InvoiceRow): LetterToWord => ({
  kind: 'invoice-cancelled',
  values: { name, number: String(number), cancelled: String(cancelled.number) },
});

/** To whoever pays for a client: an invoice is late. It says what that means, and what it does not. */
export const reminderLetter = (name: string, { number, dueOn, currency }: InvoiceRow, open: string): LetterToWord => ({
  kind: 'invoice-late',
  values: { name, number: String(number), due: dueOn, open: `${open} ${currency}` },
});
