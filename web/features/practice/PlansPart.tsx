import type { Plan } from '@lean-mentor/contract';
import { useState } from 'react';
import { Fetched } from '../../shared/fetched/index.ts';
import { Button, Empty, TableHead } from '../../shared/primitives/index.ts';
import { useAccount } from '../access/index.ts';
import { useGetPracticeQuery, useRetirePlanMutation } from './api.ts';
import { Memberships } from './Memberships.tsx';
import { PlanForm } from './PlanForm.tsx';
import { periodWords, priceWords, turnaroundWords, wayWords, type Practice } from '../plans/index.ts';

/** What is offered, and who has what. */
export function PlansPart() {
  const fetched = useGetPracticeQuery(undefined, { refetchOnMountOrArgChange: true });
  const isCoach = useAccount()?.role === 'coach';
  return <Fetched of={fetched}>{(practice) => <Plans practice={practice} mayChange={isCoach} />}</Fetched>;
}

function Plans({ practice, mayChange }: { practice: Practice; mayChange: boolean }) {
  const { plans, currency } = practice;
  /** The plan in hand, "new", or none. */
  const [open, setOpen] = useState<string | null>(null);
  return (
    <div className="flex flex-col gap-10">
      <section aria-label="Plans" className="flex flex-col gap-3">
        <div className="flex items-baseline justify-between border-t border-ink pt-2">
          <h2 className="text-desk">What you offer</h2>
          {mayChange && open === null && (
            <Button look="plain" onClick={() => setOpen('new')}>
              A new plan
            </Button>
          )}
        </div>
        {open === 'new' && <PlanForm plan={null} currency={currency} onDone={() => setOpen(null)} />}
        {plans.length === 0 && open === null && <Empty>No plans yet. Without one, a client may send as they like.</Empty>}
        {plans.length > 0 && (
          <table className="w-full text-left">
            <TableHead columns={['Plan', 'Price', 'Requests', 'Promised within', 'Answers', 'Rank', 'Clients', '']} />
            <tbody className="divide-y divide-seam border-y border-seam">
              {plans.map((plan) =>
                open === plan.id ? (
                  <tr key={plan.id}>
                    <td colSpan={8}>
                      <PlanForm plan={plan} currency={currency} onDone={() => setOpen(null)} />
                    </td>
                  </tr>
                ) : (
                  <PlanRow key={plan.id} plan={plan} currency={currency} onChange={mayChange ? () => setOpen(plan.id) : null} />
                ),
              )}
            </tbody>
          </table>
        )}
      </section>
      <Memberships practice={practice} mayChange={mayChange} />
    </div>
  );
}

function PlanRow({ plan, currency, onChange }: { plan: Plan; currency: string; onChange: (() => void) | null }) {
  const [retire, { isLoading }] = useRetirePlanMutation();
  return (
    <tr className={plan.retired ? 'text-reed' : ''}>
      <th scope="row" className="py-2 pr-4 font-semibold">
        {plan.name}
        {plan.retired && <span className="block text-small font-normal">not offered any more</span>}
      </th>
      <td className="pr-4">
        <span className="time">{priceWords(plan.price, currency)}</span> {periodWords[plan.period]}
      </td>
      <td className="pr-4">
        {plan.requestsPerPeriod}, one more <span className="time">{plan.extraPrice}</span>
      </td>
      <td className="pr-4">{turnaroundWords(plan.turnaround)}</td>
      <td className="pr-4">{plan.includes.map((way) => wayWords[way]).join(', ')}</td>
      <td className="pr-4">{plan.rank}</td>
      <td className="pr-4">{plan.clients}</td>
      <td className="text-right whitespace-nowrap">
        {onChange && (
          <>
            <Button look="quiet" aria-label={`Change ${plan.name}`} onClick={onChange}>
              Change
            </Button>
            <Button
              look="quiet"
              busy={isLoading}
              aria-label={plan.retired ? `Offer ${plan.name} again` : `Offer ${plan.name} no more`}
              onClick={() => void retire({ planId: plan.id, retired: !plan.retired })}
            >
              {plan.retired ? 'Offer again' : 'Offer no more'}
            </Button>
          </>
        )}
      </td>
    </tr>
  );
}
