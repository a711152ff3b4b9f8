import { zodResolver } from '@hookform/resolvers/zod';
import { askNewPassword } from '@lean-mentor/contract';
import { useForm } from 'react-hook-form';
import { useNavigate, useParams } from 'react-router';
import type { z } from 'zod';
import { Button, FaultNote, Field, inputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useGetSessionQuery } from '../access/index.ts';
import { useAskNewPasswordMutation, useSetNewPasswordMutation } from './api.ts';
import { Door } from './Door.tsx';
import { NewPasswordForm } from './NewPasswordForm.tsx';

type Form = z.input<typeof askNewPassword.body>;

/** Whoever forgot their password has a letter written to them. */
export function ForgottenPage() {
  useGetSessionQuery();
  const [ask, { isLoading, isSuccess, error }] = useAskNewPasswordMutation();
  const form = useForm<Form>({ resolver: zodResolver(askNewPassword.body), defaultValues: { email: '' } });
  return (
    <Door title="Password forgotten">
      {isSuccess ? (
        <p role="status">
          If somebody signs in here with this address, a letter is on its way to them. Its link opens once, within an hour. Your coach can
          help where no letter comes.
        </p>
      ) : (
        <form className="flex flex-col gap-5" noValidate onSubmit={form.handleSubmit((wanted) => ask(wanted))}>
          <Field label="Your address" hint="A letter goes there, with a link." fault={form.formState.errors.email?.message}>
            {(field) => (
              <input {...field} {...form.register('email')} type="email" autoComplete="username" autoFocus className={inputClass} />
            )}
          </Field>
          {error && <FaultNote>{faultWords(error)}</FaultNote>}
          <Button type="submit" busy={isLoading} large>
            Write me a letter
          </Button>
        </form>
      )}
    </Door>
  );
}

/** Where that letter's link leads. */
export function NewPasswordPage() {
  const { token = '' } = useParams();
  useGetSessionQuery();
  const [set, { isLoading, error }] = useSetNewPasswordMutation();
  const navigate = useNavigate();
  const choose = async (password: string): Promise<void> => {
    const { error: refused } = await set({ token, password });
    // Whoever has a second step comes in by it, at the door.
    if (!refused) void navigate('/', { replace: true });
  };
  return (
    <Door title="A new password">
      <p className="text-desk text-reed">Wherever you are signed in now, you are signed out by it.</p>
      <NewPasswordForm says="Take this one" busy={isLoading} error={error} onChosen={(password) => void choose(password)} />
    </Door>
  );
}
