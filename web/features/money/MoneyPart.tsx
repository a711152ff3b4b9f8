import type * as contract from '@lean-mentor/contract';
import type { Invoice, ResponseOf } from '@lean-mentor/contract';
import { useState } from 'react';
import { Fetched } from '../../shared/fetched/index.ts';
import { Button, Empty, smallInputClass, TableHead } from '../../shared/primitives/index.ts';
import { dayName } from '../plans/index.ts';
import { useGetMoneyQuery } from './api.ts';
import { BillingForm } from './BillingForm.tsx';
import { InvoiceRow } from './InvoiceRow.tsx';
import { MonthsPicture } from './MonthsPicture.tsx';
import { holds, isUnsettled, owedWords } from './words.ts';
import { WriteInvoice } from './WriteInvoice.tsx';

type Money = ResponseOf<typeof contract.getMoney>;

/** What is invoiced, what came, and what is late. */
export function MoneyPart() {
  const fetched = useGetMoneyQuery(undefined, { refetchOnMountOrArgChange: true });
  return <Fetched of={fetched}>{(money) => <Books money={money} />}</Fetched>;
}

function Books({ money }: { money: Money }) {
  const { billing, revision, currency, invoices, months, years } = money;
  const [form, setForm] = useState<'billing' | 'invoice' | null>(null);
  const done = (): void => setForm(null);
  return (
    <div className="flex flex-col gap-8">
      <section aria-label="Owed" className="flex flex-col gap-3">
        <div className="flex items-baseline justify-between border-t border-ink pt-2">
          <h2 className="text-desk">Owed</h2>
          <span className="flex">
            {billing.fromOn && (
              <Button look="plain" onClick={() => setForm('invoice')}>
                An invoice by hand
              </Button>
            )}
            <Button look="quiet" onClick={() => setForm('billing')}>
              What stands on them …
            </Button>
          </span>
        </div>
        {form === 'billing' && <BillingForm key={revision} billing={billing} revision={revision} onDone={done} />}
        {form === 'invoice' && <WriteInvoice currency={currency} onDone={done} />}
        {billing.fromOn || invoices.length > 0 ? (
          <>
            <p className="text-read">{owedWords(invoices)}</p>
            <p className="text-reed">
              {billing.fromOn ? `Plans are invoiced from ${dayName(billing.fromOn)} on.` : 'No more invoices are written.'} Who is late is
              looked at after the others; nothing is closed to them.
            </p>
            <MonthsPicture months={months} currency={currency} />
          </>
        ) : (
          form === null && (
            <Empty>
              No invoices are written yet. Say from which day on, and what stands on them; those of plans then write themselves.{' '}
              <Button look="plain" onClick={() => setForm('billing')}>
                Begin
              </Button>
            </Empty>
          )
        )}
      </section>
      {invoices.length > 0 && <InvoiceTable invoices={invoices} />}
      {years.length > 0 && <Tables years={years} />}
    </div>
  );
}

/** So many rows at first; more on asking. */
const rowsAtOnce = 50;

function InvoiceTable({ invoices }: { invoices: readonly Invoice[] }) {
  const [typed, setTyped] = useState('');
  const [all, setAll] = useState(false);
  const [shown, setShown] = useState(rowsAtOnce);
  const found = invoices.filter((one) => (all || isUnsettled(one)) && holds(one, typed));
  return (
    <section aria-label="Invoices" className="flex flex-col gap-3">
      <div className="flex items-center gap-6 border-t border-ink pt-2">
        <h2 className="grow text-desk">Invoices</h2>
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={all} onChange={(e) => setAll(e.target.checked)} /> settled ones too
        </label>
        <input
          type="search"
          aria-label="Find an invoice"
          placeholder="Number, name, what for"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          className={`${smallInputClass} max-w-52`}
        />
      </div>
      {found.length === 0 ? (
        <p className="text-reed">{typed ? 'No invoice is like that.' : 'All are settled.'}</p>
      ) : (
        <table className="w-full text-left">
          <TableHead columns={['Number', 'To', 'For', 'Issued', { right: 'Sum' }, 'Stands', '']} />
          <tbody className="divide-y divide-seam border-y border-seam">
            {found.slice(0, shown).map((invoice) => (
              <InvoiceRow key={invoice.id} invoice={invoice} />
            ))}
          </tbody>
        </table>
      )}
      {found.length > shown && (
        <Button look="plain" className="self-start" onClick={() => setShown(shown + rowsAtOnce)}>
          {Math.min(rowsAtOnce, found.length - shown)} more of {found.length}
        </Button>
      )}
    </section>
  );
}

function Tables({ years }: { years: readonly number[] }) {
  return (
    <section aria-label="For the books" className="flex flex-col gap-2">
      <h2 className="border-t border-ink pt-2 text-desk">For the books</h2>
      <ul>
        {years.map((year) => (
          <li key={year} className="flex gap-4">
            <span className="time">{year}</span>
            <a className="linked" href={`/api/money/${year}/invoices`} download>
              invoices as CSV
            </a>
            <a className="linked" href={`/api/money/${year}/entries`} download>
              what happened with money as CSV
            </a>
          </li>
        ))}
      </ul>
    </section>
  );
}
