import { zodResolver } from '@hookform/resolvers/zod';
import { changePerson, type Person } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { toast } from 'sonner';
import type { z } from 'zod';
import { Fetched } from '../../shared/fetched/index.ts';
import { Button, FaultNote, Field, smallInputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useAccount } from '../access/index.ts';
import { useSetLettersByMutation } from '../letters/index.ts';
import { useChangePersonMutation, useListPeopleQuery, usePausePersonMutation, useRemovePersonMutation } from './api.ts';

/** Everybody who signs in here: another name or address, a pause, or taken away. */
export function People() {
  const fetched = useListPeopleQuery(undefined, { refetchOnMountOrArgChange: true });
  return (
    <section aria-label="Who signs in here" className="flex flex-col gap-2 lg:col-span-2">
      <h2 className="border-t border-ink pt-2 text-desk">Who signs in here</h2>
      <Fetched of={fetched}>
        {({ people }) => (
          <ul className="divide-y divide-seam border-y border-seam">
            {people.map((person) => (
              <PersonRow key={person.id} person={person} />
            ))}
          </ul>
        )}
      </Fetched>
    </section>
  );
}

const standsFor = ({ role, clients }: Person): string => {
  if (role !== 'guardian') return role;
  const of = clients.map(
    ({ name, agreedAt }) => `${name} (${agreedAt ? `agreed on ${format(agreedAt, 'd MMMM yyyy')}` : 'has not agreed yet'})`,
  );
  return of.length > 0 ? `guardian of ${of.join(', ')}` : 'guardian of nobody';
};

type Act = 'change' | 'remove';

function PersonRow({ person }: { person: Person }) {
  const { id, name, email, role, letters, pausedAt } = person;
  const isSelf = useAccount()?.id === id;
  const [act, setAct] = useState<Act | null>(null);
  const [pause, paused] = usePausePersonMutation();
  const [remove, removed] = useRemovePersonMutation();
  const [setBy, by] = useSetLettersByMutation();
  const error = paused.error ?? removed.error ?? by.error;
  const turn = (to: Act): void => setAct(act === to ? null : to);
  return (
    <li className="py-2" data-person={email}>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <span className="w-44 truncate font-semibold">{name}</span>
        <span className="w-60 truncate text-reed">{email}</span>
        <span className="grow text-reed">
          {standsFor(person)}
          {letters.by === 'app' && `, letters only in the app${letters.stopped ? ' (their own wish)' : ''}`}
          {pausedAt && <span className="font-semibold text-ink">, paused since {format(pausedAt, 'd MMMM')}</span>}
        </span>
        <span className="flex whitespace-nowrap">
          <Button look="quiet" aria-label={`Change ${name}`} onClick={() => turn('change')}>
            Change …
          </Button>
          {(role === 'client' || role === 'guardian') && !letters.stopped && (
            <Button
              look="quiet"
              busy={by.isLoading}
              aria-label={letters.by === 'letter' ? `Letters to ${name} only in the app` : `Letters to ${name} by mail`}
              onClick={() => void setBy({ accountId: id, by: letters.by === 'letter' ? 'app' : 'letter' })}
            >
              {letters.by === 'letter' ? 'Only in the app' : 'Letters by mail'}
            </Button>
          )}
          {!isSelf && (
            <>
              <Button
                look="quiet"
                busy={paused.isLoading}
                aria-label={pausedAt ? `Let ${name} in again` : `Pause ${name}`}
                onClick={() => void pause({ accountId: id, paused: pausedAt === null })}
              >
                {pausedAt ? 'Let in again' : 'Pause'}
              </Button>
              <Button look="quiet" aria-label={`Remove ${name}`} onClick={() => turn('remove')}>
                Remove …
              </Button>
            </>
          )}
        </span>
      </div>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      {act === 'change' && <ChangeForm person={person} onDone={() => setAct(null)} />}
      {act === 'remove' && (
        <p className="mt-2 flex items-center gap-4">
          <span>{name} can no longer sign in then, and nobody can take that back. What was sent and written stays with the practice.</span>
          <Button look="plain" busy={removed.isLoading} onClick={() => void remove(id)}>
            Remove the sign-in
          </Button>
        </p>
      )}
    </li>
  );
}

type Form = z.input<typeof changePerson.body>;

function ChangeForm({ person: { id, name, email }, onDone }: { person: Person; onDone: () => void }) {
  const [change, { isLoading, error }] = useChangePersonMutation();
  const form = useForm<Form>({ resolver: zodResolver(changePerson.body), defaultValues: { name, email } });
  const { errors } = form.formState;
  const send = async (wanted: Form): Promise<void> => {
    const { error: refused } = await change({ accountId: id, ...wanted });
    if (refused) return;
    if (wanted.email.toLowerCase() !== email) toast('The address is changed; the old one and the new one are told.');
    onDone();
  };
  return (
    <form aria-label={`Change ${name}`} className="mt-2 flex flex-wrap items-end gap-4" noValidate onSubmit={form.handleSubmit(send)}>
      <Field label="Name" fault={errors.name?.message}>
        {(field) => <input {...field} {...form.register('name')} autoComplete="off" className={smallInputClass} />}
      </Field>
      <Field label="Address" fault={errors.email?.message}>
        {(field) => (
          <input {...field} {...form.register('email')} type="email" autoComplete="off" className={`${smallInputClass} min-w-64`} />
        )}
      </Field>
      <Button type="submit" busy={isLoading}>
        Keep it
      </Button>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
    </form>
  );
}
