import type { Invoice } from '@lean-mentor/contract';
import { centsOf, negated } from '@lean-mentor/core/money';
import { format } from 'date-fns';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button, FaultNote, Field, smallInputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { dayName } from '../plans/index.ts';
import { useCancelInvoiceMutation, useNoteMoneyMutation } from './api.ts';
import { entryWords, stateWords } from './words.ts';

type Act = 'paid' | 'paid-back' | 'mistaken' | 'cancel';

/** What can be done with an invoice now: nothing of it is ever changed. */
function actsOf({ state, open, cancels, entries }: Invoice): Act[] {
  if (cancels !== null) return [];
  const acts: Act[] = [];
  if (centsOf(open) > 0n) acts.push('paid');
  if (centsOf(open) < 0n) acts.push('paid-back');
  if (entries.some(({ kind, byHand }) => byHand && kind === 'paid')) acts.push('mistaken');
  if (state !== 'cancelled' && state !== 'to-pay-back') acts.push('cancel');
  return acts;
}

const actWords: Record<Act, string> = {
  paid: 'Note a payment …',
  'paid-back': 'Note as paid back …',
  mistaken: 'Noted by mistake …',
  cancel: 'Cancel it …',
};

/** An invoice in a line; opened, what it is for, what happened with its money, and what can be done. */
export function InvoiceRow({ invoice }: { invoice: Invoice }) {
  const { id, number, recipient, issuedOn, total, currency, lines, state } = invoice;
  const [open, setOpen] = useState(false);
  return (
    <>
      <tr data-invoice={number} className={state === 'cancelled' ? 'text-reed' : ''}>
        <th scope="row" className="py-2 pr-4 font-semibold">
          <button className="linked time" aria-expanded={open} aria-label={`Invoice ${number}`} onClick={() => setOpen(!open)}>
            {number}
          </button>
        </th>
        <td className="max-w-40 truncate pr-4">{recipient}</td>
        <td className="max-w-64 truncate pr-4 text-reed">{lines.map(({ words }) => words).join('; ')}</td>
        <td className="pr-4 whitespace-nowrap">{dayName(issuedOn)}</td>
        <td className="time pr-4 text-right whitespace-nowrap">
          {total} {currency}
        </td>
        <td className="pr-4 whitespace-nowrap">{stateWords(invoice)}</td>
        <td className="text-right">
          <a className="linked" href={`/api/invoices/${id}/pdf`} download aria-label={`Invoice ${number} as PDF`}>
            PDF
          </a>
        </td>
      </tr>
      {open && (
        <tr>
          <td colSpan={7} className="pb-4">
            <InvoiceInside invoice={invoice} />
          </td>
        </tr>
      )}
    </>
  );
}

function InvoiceInside({ invoice }: { invoice: Invoice }) {
  const { lines, entries } = invoice;
  const [act, setAct] = useState<Act | null>(null);
  return (
    <div className="ml-4 flex max-w-3xl flex-col gap-3 border-l-2 border-seam pl-4">
      <ul>
        {lines.map(({ words, amount }, i) => (
          <li key={i} className="flex justify-between gap-4">
            <span>{words}</span>
            <span className="time">{amount}</span>
          </li>
        ))}
      </ul>
      {entries.length > 0 && (
        <ul className="border-t border-seam pt-2 text-reed">
          {entries.map(({ id, kind, amount, at, words, byHand }) => (
            <li key={id} className="flex justify-between gap-4">
              <span>
                {format(at, 'd MMM yyyy')}: {entryWords[kind]}
                {byHand && ', noted by hand'}
                {byHand && words && ` (${words})`}
              </span>
              <span className="time">{amount}</span>
            </li>
          ))}
        </ul>
      )}
      <div className="-ml-3 flex">
        {actsOf(invoice).map((one) => (
          <Button key={one} look="quiet" aria-pressed={act === one} onClick={() => setAct(act === one ? null : one)}>
            {actWords[one]}
          </Button>
        ))}
      </div>
      {act === 'cancel' && <CancelForm invoice={invoice} onDone={() => setAct(null)} />}
      {act && act !== 'cancel' && <NoteForm key={act} invoice={invoice} kind={act} onDone={() => setAct(null)} />}
    </div>
  );
}

const startingAmount = ({ open, entries }: Invoice, kind: Exclude<Act, 'cancel'>): string => {
  if (kind === 'paid') return open;
  if (kind === 'paid-back') return negated(open);
  return entries.filter((one) => one.byHand && one.kind === 'paid').at(-1)!.amount;
};

function NoteForm({ invoice, kind, onDone }: { invoice: Invoice; kind: Exclude<Act, 'cancel'>; onDone: () => void }) {
  const [note, { isLoading, error }] = useNoteMoneyMutation();
  // One id for this form: pressed twice, it is noted once.
  const [id] = useState(() => crypto.randomUUID());
  const [amount, setAmount] = useState(() => startingAmount(invoice, kind));
  const [words, setWords] = useState('');
  const send = async (): Promise<void> => {
    const { data } = await note({ invoiceId: invoice.id, id, kind, amount: amount.trim().replace(',', '.'), words });
    if (data) onDone();
  };
  return (
    <form
      aria-label={actWords[kind]}
      className="flex flex-wrap items-end gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <Field label={`Amount, ${invoice.currency}`}>
        {(field) => (
          <input
            {...field}
            inputMode="decimal"
            required
            value={amount}
            onChange={(e) => setAmount(e.target.value)}
            className={smallInputClass}
          />
        )}
      </Field>
      <Field label="How (may stay empty)">
        {(field) => (
          <input {...field} value={words} maxLength={200} onChange={(e) => setWords(e.target.value)} className={smallInputClass} />
        )}
      </Field>
      <Button type="submit" look="plain" busy={isLoading}>
        Note it
      </Button>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
    </form>
  );
}

function CancelForm({ invoice, onDone }: { invoice: Invoice; onDone: () => void }) {
  const [cancel, { isLoading, error }] = useCancelInvoiceMutation();
  const [words, setWords] = useState('');
  const send = async (): Promise<void> => {
    const { data } = await cancel({ invoiceId: invoice.id, words });
    if (!data) return;
    toast(`Invoice ${invoice.number} is cancelled by number ${data.number}.`);
    onDone();
  };
  return (
    <form
      aria-label={`Cancel invoice ${invoice.number}`}
      className="flex flex-wrap items-end gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <Field label="A word on why (it stands on the cancellation)">
        {(field) => (
          <input {...field} value={words} maxLength={200} onChange={(e) => setWords(e.target.value)} className={smallInputClass} />
        )}
      </Field>
      <Button type="submit" look="plain" busy={isLoading}>
        Write the cancellation
      </Button>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
    </form>
  );
}
