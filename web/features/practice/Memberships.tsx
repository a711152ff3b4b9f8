import type { MembershipView } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { Button, Empty, FaultNote, Field, Finder, namedOptions, Select, smallInputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useListClientsQuery } from '../clients/index.ts';
import { useEndMembershipMutation, useGiveMembershipMutation, usePauseMembershipMutation } from './api.ts';
import { dayName, leftWords, useAddExtraMutation, type Practice } from '../plans/index.ts';

const today = (): string => format(new Date(), 'yyyy-MM-dd');

/** Who has which plan, and giving one. Plans that are over are left out. */
export function Memberships({ practice, mayChange }: { practice: Practice; mayChange: boolean }) {
  const present = practice.memberships.filter(({ state }) => state !== 'over').sort((a, b) => a.clientName.localeCompare(b.clientName));
  return (
    <section aria-label="Who has which" className="flex flex-col gap-3">
      <h2 className="border-t border-ink pt-2 text-desk">Who has which</h2>
      {present.length === 0 && <Empty>Nobody has a plan yet.</Empty>}
      <ul className="divide-y divide-seam border-y border-seam empty:hidden">
        {present.map((membership) => (
          <MembershipRow key={membership.id} membership={membership} mayChange={mayChange} />
        ))}
      </ul>
      {mayChange && practice.plans.some(({ retired }) => !retired) && <GiveForm plans={practice.plans} />}
    </section>
  );
}

type Act = 'pause' | 'end';

function MembershipRow({ membership, mayChange }: { membership: MembershipView; mayChange: boolean }) {
  const { id, clientId, clientName, plan, fromOn, untilOn, gifted, state, pauses } = membership;
  const [act, setAct] = useState<Act | null>(null);
  const [addExtra, extra] = useAddExtraMutation();
  const [pauseIt, paused] = usePauseMembershipMutation();
  const [endIt, ended] = useEndMembershipMutation();
  const error = extra.error ?? paused.error ?? ended.error;
  const goOn = async (): Promise<void> => void (await pauseIt({ membershipId: id, fromOn: pauses.at(-1)!.fromOn, untilOn: today() }));
  const give = async (): Promise<void> => {
    const { data } = await addExtra(id);
    if (data) toast(`${clientName} may send one more in this period.`);
  };
  return (
    <li className="py-2" data-membership={id}>
      <div className="grid grid-cols-[11rem_9rem_minmax(0,1fr)_auto] items-baseline gap-4">
        <Link to={`/clients/${clientId}`} className="truncate font-semibold hover:underline">
          {clientName}
        </Link>
        <span>{plan.name}</span>
        <span className="text-reed">
          {leftWords(membership)}, since {dayName(fromOn)}
          {untilOn && `, until ${dayName(untilOn)}`}
          {gifted && ', a gift'}
        </span>
        {mayChange && (
          <span className="flex whitespace-nowrap">
            {state === 'runs' && (
              <Button look="quiet" busy={extra.isLoading} aria-label={`Give ${clientName} one more`} onClick={() => void give()}>
                Give one more
              </Button>
            )}
            {state === 'paused' ? (
              <Button look="quiet" busy={paused.isLoading} onClick={() => void goOn()}>
                Goes on today
              </Button>
            ) : (
              <Button look="quiet" aria-label={`Pause ${clientName}’s plan`} onClick={() => setAct(act === 'pause' ? null : 'pause')}>
                Pause …
              </Button>
            )}
            <Button look="quiet" aria-label={`End ${clientName}’s plan`} onClick={() => setAct(act === 'end' ? null : 'end')}>
              End …
            </Button>
          </span>
        )}
      </div>
      {act && (
        <DaysForm
          act={act}
          onSend={async (fromDay, untilDay) => {
            const answer =
              act === 'pause'
                ? await pauseIt({ membershipId: id, fromOn: fromDay, untilOn: untilDay })
                : await endIt({ membershipId: id, untilOn: fromDay });
            if (!answer.error) setAct(null);
          }}
        />
      )}
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
    </li>
  );
}

function DaysForm({ act, onSend }: { act: Act; onSend: (from: string, until: string | null) => Promise<void> }) {
  const [from, setFrom] = useState(today);
  const [until, setUntil] = useState('');
  return (
    <form
      className="mt-2 flex items-end gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        void onSend(from, until || null);
      }}
    >
      <Field label={act === 'pause' ? 'From' : 'The first day without it'}>
        {(field) => (
          <input {...field} type="date" required value={from} onChange={(e) => setFrom(e.target.value)} className={smallInputClass} />
        )}
      </Field>
      {act === 'pause' && (
        <Field label="Until (may stay open)">
          {(field) => <input {...field} type="date" value={until} onChange={(e) => setUntil(e.target.value)} className={smallInputClass} />}
        </Field>
      )}
      <Button type="submit" look="plain">
        {act === 'pause' ? 'Pause it' : 'End it'}
      </Button>
    </form>
  );
}

function GiveForm({ plans }: { plans: Practice['plans'] }) {
  const { data } = useListClientsQuery();
  const [give, { isLoading, error }] = useGiveMembershipMutation();
  const offered = plans.filter(({ retired }) => !retired);
  const [clientId, setClient] = useState('');
  const [planId, setPlan] = useState(offered[0]?.id ?? '');
  const [fromOn, setFrom] = useState(today);
  const [gifted, setGifted] = useState(false);
  const send = async (): Promise<void> => {
    const { data: given } = await give({ clientId, planId, fromOn, untilOn: null, gifted });
    if (!given) return;
    toast('The plan is given; the client is told by letter.');
    setClient('');
  };
  return (
    <form
      aria-label="Give a plan"
      className="flex flex-wrap items-end gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <Field label="Give">
        {(field) => (
          <Finder
            {...field}
            value={clientId}
            placeholder="whom …"
            options={namedOptions(data?.clients ?? [])}
            onChange={setClient}
            className={`${smallInputClass} max-w-48`}
          />
        )}
      </Field>
      <Field label="the plan">
        {(field) => (
          <Select {...field} value={planId} options={namedOptions(offered)} onChange={setPlan} className={`${smallInputClass} max-w-40`} />
        )}
      </Field>
      <Field label="from">
        {(field) => (
          <input {...field} type="date" required value={fromOn} onChange={(e) => setFrom(e.target.value)} className={smallInputClass} />
        )}
      </Field>
      <label className="flex min-h-9 items-center gap-2">
        <input type="checkbox" checked={gifted} onChange={(e) => setGifted(e.target.checked)} /> as a gift
      </label>
      <Button type="submit" busy={isLoading} disabled={clientId === ''}>
        Give this plan
      </Button>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
    </form>
  );
}
