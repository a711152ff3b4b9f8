import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { Fetched } from '../../shared/fetched/index.ts';
import { Button, Empty, FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useAccount } from '../access/index.ts';
import { useAddExtraMutation, useListOwnMembershipsQuery } from './api.ts';
import { dayName, leftWords, periodWords, priceWords, turnaroundWords, wayWords } from './words.ts';

type OwnMembership = ResponseOf<typeof contract.listOwnMemberships>['memberships'][number];

/** One's own plan, or those of the minors one stands for. */
export function OwnPlans() {
  const fetched = useListOwnMembershipsQuery(undefined, { refetchOnMountOrArgChange: true });
  const several = (useAccount()?.clients.length ?? 0) > 1;
  return (
    <>
      <h1 className="text-title">{several ? 'Plans' : 'Your plan'}</h1>
      <Fetched of={fetched} rows={2}>
        {({ memberships, currency }) =>
          memberships.length === 0 ? (
            <Empty>No plan yet. You may send footage; your coach can give you a plan.</Empty>
          ) : (
            memberships.map((membership) => <OwnPlan key={membership.id} membership={membership} currency={currency} named={several} />)
          )
        }
      </Fetched>
    </>
  );
}

function OwnPlan({ membership, currency, named }: { membership: OwnMembership; currency: string; named: boolean }) {
  const { id, clientName, plan, mayBuy, gifted, untilOn } = membership;
  const [addExtra, { isLoading, error }] = useAddExtraMutation();
  const buy = async (): Promise<void> => {
    const { data } = await addExtra(id);
    if (data) toast('One more is yours in this period.');
  };
  return (
    <section aria-label={plan.name} className="flex flex-col gap-3 border-t border-ink pt-3">
      <h2 className="text-read">
        {named && `${clientName}: `}
        {plan.name}
      </h2>
      <p className="text-title">{leftWords(membership)}</p>
      <ul className="text-reed">
        <li>
          {gifted ? 'A gift' : `${priceWords(plan.price, currency)} ${periodWords[plan.period]}`}, {plan.requestsPerPeriod}{' '}
          {plan.requestsPerPeriod === 1 ? 'request' : 'requests'}
        </li>
        <li>Answered within {turnaroundWords(plan.turnaround)}, counted from when your footage is complete</li>
        <li>Answers are {plan.includes.map((way) => wayWords[way]).join(', ')}</li>
        {untilOn && <li>It ends on {dayName(untilOn)}.</li>}
      </ul>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      {mayBuy && (
        <Button look="plain" large busy={isLoading} onClick={() => void buy()}>
          One more for {priceWords(plan.extraPrice, currency)}
        </Button>
      )}
    </section>
  );
}

/** What is left of one's plan, in a line. Nothing without a plan. */
export function PlanLine({ clientId }: { clientId: string }) {
  const { data } = useListOwnMembershipsQuery();
  const mine = data?.memberships.find((m) => m.clientId === clientId && m.period !== null);
  if (!mine) return null;
  return (
    <p className="mb-3 text-desk text-reed">
      <Link to="/plan" className="linked">
        {mine.plan.name}
      </Link>
      : {leftWords(mine)}
    </p>
  );
}
