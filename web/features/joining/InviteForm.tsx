import { zodResolver } from '@hookform/resolvers/zod';
import { invitationWanted, type InvitationWanted, type InvitedRole } from '@lean-mentor/contract';
import { useForm, useWatch } from 'react-hook-form';
import { toast } from 'sonner';
import type { z } from 'zod';
import { Button, Choice, FaultNote, Field, inputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { beltOptions, useListClientsQuery } from '../clients/index.ts';
import { useInviteMutation } from './api.ts';
import { FormFinder, FormSelect } from '../../shared/forms/index.ts';

type Form = z.input<typeof invitationWanted>;

const roles: readonly { value: InvitedRole; words: string; hint: string }[] = [
  { value: 'client', words: 'A client', hint: 'sends footage' },
  { value: 'guardian', words: 'A guardian', hint: 'of a client under 18' },
  { value: 'assistant', words: 'An assistant', hint: 'codes and drafts' },
];
const blank = (role: InvitedRole, kept: { name?: string; email?: string } = {}): Form => {
  const person = { name: kept.name ?? '', email: kept.email ?? '' };
  if (role === 'client') return { role, ...person, level: 1, bornOn: null };
  return role === 'guardian' ? { role, ...person, clientId: '' } : { role, ...person };
};

/** Inviting somebody: a letter with a one-time link goes to them. */
export function InviteForm() {
  const [invite, { isLoading, error }] = useInviteMutation();
  const form = useForm<Form, unknown, InvitationWanted>({ resolver: zodResolver(invitationWanted), defaultValues: blank('client') });
  const clients = useListClientsQuery().data?.clients ?? [];
  const role = useWatch({ control: form.control, name: 'role' });
  const errors = form.formState.errors as Partial<Record<'name' | 'email' | 'level' | 'bornOn' | 'clientId', { message?: string }>>;
  const send = async (wanted: InvitationWanted): Promise<void> => {
    const { data } = await invite(wanted as never);
    if (!data) return;
    form.reset(blank(role));
    toast(data.invitation ? `A letter goes to ${wanted.name}.` : `${wanted.email} is a guardian here, and now of this client too.`);
  };
  return (
    <form aria-label="Invite somebody" className="flex flex-col gap-5" noValidate onSubmit={form.handleSubmit(send)}>
      <Choice label="Who" value={role} options={roles} onChange={(value) => form.reset(blank(value, form.getValues()))} />
      <div className="grid gap-5 sm:grid-cols-2">
        <Field label="Name" fault={errors.name?.message}>
          {(field) => <input {...field} {...form.register('name')} autoComplete="off" className={inputClass} />}
        </Field>
        <Field label="Address" fault={errors.email?.message}>
          {(field) => <input {...field} {...form.register('email')} type="email" autoComplete="off" className={inputClass} />}
        </Field>
        {role === 'client' && (
          <>
            <Field label="Belt" fault={errors.level?.message}>
              {(field) => (
                <FormSelect {...field} control={form.control} name="level" kept={Number} options={beltOptions} className={inputClass} />
              )}
            </Field>
            <Field label="Born on" hint="Whoever is under 18 needs a guardian here before anything is sent." fault={errors.bornOn?.message}>
              {(field) => (
                <input
                  {...field}
                  {...form.register('bornOn', { setValueAs: (day: string | null) => day || null })}
                  type="date"
                  className={inputClass}
                />
              )}
            </Field>
          </>
        )}
        {role === 'guardian' && (
          <Field label="Of" fault={errors.clientId && 'Choose the client.'}>
            {(field) => (
              <FormFinder
                {...field}
                control={form.control}
                name="clientId"
                placeholder="Whose guardian …"
                options={clients.map(({ id, name, age }) => ({ value: id, words: age === null ? name : `${name}, ${age}` }))}
                className={inputClass}
              />
            )}
          </Field>
        )}
      </div>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <Button type="submit" busy={isLoading} className="self-start">
        Write the invitation
      </Button>
    </form>
  );
}
