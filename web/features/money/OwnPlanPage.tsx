import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { useNavigate } from 'react-router';
import { Fetched } from '../../shared/fetched/index.ts';
import { Button, FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { OwnPlans } from '../plans/index.ts';
import { useListOwnInvoicesQuery, useStartPaymentMutation } from './api.ts';
import { stateWords } from './words.ts';

type OwnInvoice = ResponseOf<typeof contract.listOwnInvoices>['invoices'][number];

/** One's own plan, or those of the minors one stands for, and what is to be paid. */
export function OwnPlanPage() {
  return (
    <main className="mx-auto flex max-w-md flex-col gap-6 py-6">
      <OwnPlans />
      <OwnInvoices />
    </main>
  );
}

function OwnInvoices() {
  const fetched = useListOwnInvoicesQuery(undefined, { refetchOnMountOrArgChange: true });
  return (
    <Fetched of={fetched} rows={1}>
      {({ invoices }) =>
        invoices.length > 0 && (
          <section aria-label="Invoices" className="flex flex-col gap-3 border-t border-ink pt-3">
            <h2 className="text-read">Invoices</h2>
            {invoices.some(({ state }) => state === 'late') && (
              <p className="border-l-4 border-brick pl-3">
                One is late: until it is paid, new requests are looked at after those of others. Your footage and critiques stay open to
                you.
              </p>
            )}
            <ul className="divide-y divide-seam border-y border-seam">
              {invoices.map((invoice) => (
                <OwnInvoiceRow key={invoice.id} invoice={invoice} />
              ))}
            </ul>
          </section>
        )
      }
    </Fetched>
  );
}

/** Pages of this house are opened within it; a real service's lie elsewhere. */
const isOurs = (page: string): boolean => page.startsWith('/') && !page.startsWith('//');

function OwnInvoiceRow({ invoice }: { invoice: OwnInvoice }) {
  const { id, number, total, currency, lines, mayPay, open } = invoice;
  const [start, { isLoading, error }] = useStartPaymentMutation();
  const navigate = useNavigate();
  const pay = async (): Promise<void> => {
    const { data } = await start(id);
    if (!data) return;
    if (isOurs(data.page)) await navigate(data.page);
    else window.location.assign(data.page);
  };
  return (
    <li className="flex flex-col gap-1 py-3">
      <p className="flex items-baseline justify-between gap-4">
        <a className="linked inline-flex min-h-11 items-center" href={`/api/invoices/${id}/pdf`} download>
          Invoice {number}
        </a>
        <span className="time">
          {total} {currency}
        </span>
      </p>
      <p className="text-desk text-reed">{lines.map(({ words }) => words).join('; ')}</p>
      <p className="text-desk">{stateWords(invoice)}</p>
      {mayPay && (
        <Button large busy={isLoading} onClick={() => void pay()}>
          Pay {open} {currency}
        </Button>
      )}
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
    </li>
  );
}
