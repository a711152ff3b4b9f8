import { zodResolver } from '@hookform/resolvers/zod';
import { acceptInvitation, leastPassword } from '@lean-mentor/contract';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Button, FaultNote, Field, inputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';

interface NewPasswordFormProps {
  /** Whose: password managers keep it under this address. */
  email?: string;
  says: string;
  busy: boolean;
  /** Why the last one was not taken. */
  error: unknown;
  onChosen: (password: string) => void;
}

const schema = acceptInvitation.body;

/** Choosing a password. It can be looked at instead of written twice. */
export function NewPasswordForm({ email, says, busy, error, onChosen }: NewPasswordFormProps) {
  const [seen, setSeen] = useState(false);
  const form = useForm<{ password: string }>({ resolver: zodResolver(schema), defaultValues: { password: '' } });
  return (
    <form className="flex flex-col gap-5" noValidate onSubmit={form.handleSubmit(({ password }) => onChosen(password))}>
      {email && <input type="email" autoComplete="username" value={email} readOnly className="sr-only" aria-hidden tabIndex={-1} />}
      <Field
        label="A password of your own"
        hint={`At least ${leastPassword} characters. Four plain words do well.`}
        fault={form.formState.errors.password?.message}
      >
        {(field) => (
          <input
            {...field}
            {...form.register('password')}
            type={seen ? 'text' : 'password'}
            autoComplete="new-password"
            autoFocus
            className={inputClass}
          />
        )}
      </Field>
      <label className="flex min-h-11 items-center gap-2 text-desk">
        <input type="checkbox" checked={seen} onChange={(e) => setSeen(e.target.checked)} className="size-5 accent-pine" />
        Show what I write
      </label>
      {Boolean(error) && <FaultNote>{faultWords(error as never)}</FaultNote>}
      <Button type="submit" busy={busy} large>
        {says}
      </Button>
    </form>
  );
}
