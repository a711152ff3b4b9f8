import { zodResolver } from '@hookform/resolvers/zod';
import { signIn } from '@lean-mentor/contract';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import type { z } from 'zod';
import { Button, FaultNote, Field, inputClass, Wordmark } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useSignInMutation } from './api.ts';

type Form = z.input<typeof signIn.body>;

export function SignInPage() {
  const [signInNow, { error, isLoading }] = useSignInMutation();
  const form = useForm<Form, unknown, z.output<typeof signIn.body>>({
    resolver: zodResolver(signIn.body),
    defaultValues: { email: '', password: '' },
  });
  const { errors } = form.formState;
  const code = (error as { code?: string } | undefined)?.code;
  const [asked, setAsked] = useState(false);
  // Once it is asked for it stays: a wrong one is written anew.
  if (code === 'needs-code' && !asked) setAsked(true);
  return (
    <main className="mx-auto flex min-h-dvh w-full max-w-sm flex-col justify-center gap-8 px-6 py-10">
      <Wordmark large />
      <form className="flex flex-col gap-5" noValidate onSubmit={form.handleSubmit((values) => signInNow(values))}>
        <Field label="Address" fault={errors.email?.message}>
          {(field) => (
            <input {...field} {...form.register('email')} type="email" autoComplete="username" autoFocus className={inputClass} />
          )}
        </Field>
        <Field label="Password" fault={errors.password?.message}>
          {(field) => (
            <input {...field} {...form.register('password')} type="password" autoComplete="current-password" className={inputClass} />
          )}
        </Field>
        {asked && (
          <Field label="The six digits your device shows" fault={errors.code?.message}>
            {(field) => (
              <input
                {...field}
                {...form.register('code')}
                inputMode="numeric"
                autoComplete="one-time-code"
                autoFocus
                className={inputClass}
              />
            )}
          </Field>
        )}
        {error && <FaultNote>{faultWords(error)}</FaultNote>}
        <Button type="submit" busy={isLoading} large>
          Sign in
        </Button>
      </form>
      <Link to="/forgotten" className="linked inline-flex min-h-11 items-center self-start">
        Password forgotten
      </Link>
    </main>
  );
}
