import { zodResolver } from '@hookform/resolvers/zod';
import { changePassword, leastPassword } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { toast } from 'sonner';
import type { z } from 'zod';
import { Fetched } from '../../shared/fetched/index.ts';
import { Button, FaultNote, Field, inputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useAccount } from '../access/index.ts';
import { OwnLettersChoice } from '../letters/index.ts';
import { SecondStep } from './SecondStep.tsx';
import { useChangePasswordMutation, useEndOwnSessionMutation, useListOwnSessionsQuery } from './api.ts';

/** One's own sign-in: its password, and where it is in use. */
export function AccountPage() {
  const account = useAccount();
  return (
    <main className="flex max-w-xl flex-col gap-8 py-8">
      <h1 className="text-title">{account?.name}</h1>
      <section aria-label="Password" className="flex flex-col gap-4">
        <h2 className="border-t border-ink pt-2 text-desk">Password</h2>
        <ChangePassword />
      </section>
      {(account?.role === 'coach' || account?.role === 'assistant') && (
        <section aria-label="A second step" className="flex flex-col gap-4">
          <h2 className="border-t border-ink pt-2 text-desk">A second step at the door</h2>
          <SecondStep />
        </section>
      )}
      {(account?.role === 'client' || account?.role === 'guardian') && (
        <section aria-label="Letters" className="flex flex-col gap-4">
          <h2 className="border-t border-ink pt-2 text-desk">Letters</h2>
          <OwnLettersChoice />
        </section>
      )}
      {account && account.clients.length > 0 && (
        <section aria-label="What is kept of you" className="flex flex-col gap-2">
          <h2 className="border-t border-ink pt-2 text-desk">What is kept</h2>
          <p>See who looked at it, take it along as one file, or have it removed.</p>
          <ul>
            {account.clients.map(({ id, name }) => (
              <li key={id}>
                <Link to={`/kept-of/${id}`} className="linked inline-flex min-h-11 items-center">
                  What is kept of {name}
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
      <section aria-label="Where you are signed in" className="flex flex-col gap-2">
        <h2 className="border-t border-ink pt-2 text-desk">Where you are signed in</h2>
        <Sessions />
      </section>
    </main>
  );
}

type Form = z.input<typeof changePassword.body>;
const nothing: Form = { present: '', password: '' };

function ChangePassword() {
  const [change, { isLoading, error }] = useChangePasswordMutation();
  const form = useForm<Form>({ resolver: zodResolver(changePassword.body), defaultValues: nothing });
  const { errors } = form.formState;
  const take = async (wanted: Form): Promise<void> => {
    const { error: refused } = await change(wanted);
    if (refused) return;
    form.reset(nothing);
    toast('Your password is changed. Everywhere else you are signed out.');
  };
  return (
    <form className="flex flex-col gap-5" noValidate onSubmit={form.handleSubmit(take)}>
      <Field label="Your present password" fault={errors.present?.message}>
        {(field) => (
          <input {...field} {...form.register('present')} type="password" autoComplete="current-password" className={inputClass} />
        )}
      </Field>
      <Field label="The new one" hint={`At least ${leastPassword} characters. Four plain words do well.`} fault={errors.password?.message}>
        {(field) => <input {...field} {...form.register('password')} type="password" autoComplete="new-password" className={inputClass} />}
      </Field>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <Button type="submit" busy={isLoading} className="self-start">
        Change it
      </Button>
    </form>
  );
}

function Sessions() {
  const fetched = useListOwnSessionsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [end, { error }] = useEndOwnSessionMutation();
  return (
    <>
      <Fetched of={fetched} rows={2} />
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <ul className="divide-y divide-seam border-y border-seam empty:hidden">
        {fetched.data?.sessions.map(({ id, browser, since, here }) => (
          <li key={id} className="flex min-h-14 items-center justify-between gap-4 py-2">
            <span>
              {browser} <span className="text-reed">since {format(since, 'd MMMM, H:mm')}</span>
            </span>
            {here ? (
              <span className="text-reed">here</span>
            ) : (
              <Button
                look="plain"
                className="min-h-11 shrink-0"
                aria-label={`End the session in ${browser} since ${format(since, 'd MMMM, H:mm:ss')}`}
                onClick={() => void end(id)}
              >
                End this one
              </Button>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}
