import { zodResolver } from '@hookform/resolvers/zod';
import { changeClient, type BodyOf, type Client } from '@lean-mentor/contract';
import { useForm } from 'react-hook-form';
import type { z } from 'zod';
import { FormEnd, FormSelect } from '../../shared/forms/index.ts';
import { Field, smallInputClass } from '../../shared/primitives/index.ts';
import { useChangeClientMutation } from './api.ts';
import { beltOptions } from './belts.ts';

type Sent = BodyOf<typeof changeClient>;
type Form = z.input<typeof changeClient.body>;

/** One thing a line; empty lines are none. */
const lines = {
  setValueAs: (text: string | string[]) => (Array.isArray(text) ? text : text.split('\n').filter((line) => line.trim() !== '')),
};

/** What is known of a client, to be changed. */
export function ClientForm({ client, onDone }: { client: Client; onDone: () => void }) {
  const [change, { isLoading, error }] = useChangeClientMutation();
  const { id, name, level, bornOn, about, hurts, agreements } = client;
  const form = useForm<Form, unknown, Sent>({
    resolver: zodResolver(changeClient.body),
    defaultValues: { name, level, bornOn, about, hurts, agreements },
  });
  const { register, formState } = form;
  const { errors } = formState;
  const send = async (wanted: Sent): Promise<void> => {
    const { error: refused } = await change({ clientId: id, ...wanted });
    if (!refused) onDone();
  };
  const area = (what: 'hurts' | 'agreements', present: readonly string[]) => (field: object) => (
    <textarea {...field} {...register(what, lines)} defaultValue={present.join('\n')} rows={3} className={smallInputClass} />
  );
  return (
    <form aria-label={`Change ${name}`} noValidate className="flex flex-col gap-4" onSubmit={form.handleSubmit(send)}>
      <Field label="Name" fault={errors.name?.message}>
        {(field) => <input {...field} {...register('name')} autoComplete="off" className={smallInputClass} />}
      </Field>
      <Field label="Belt" fault={errors.level?.message}>
        {(field) => (
          <FormSelect {...field} control={form.control} name="level" kept={Number} options={beltOptions} className={smallInputClass} />
        )}
      </Field>
      <Field label="Born on" hint="Whoever is under 18 needs a guardian here." fault={errors.bornOn?.message}>
        {(field) => (
          <input
            {...field}
            {...register('bornOn', { setValueAs: (day: string | null) => day || null })}
            type="date"
            className={smallInputClass}
          />
        )}
      </Field>
      <Field label="About" fault={errors.about?.message}>
        {(field) => <textarea {...field} {...register('about')} rows={3} className={smallInputClass} />}
      </Field>
      <Field label="Hurts" hint="One a line. What a clinician has said goes before." fault={errors.hurts?.message}>
        {area('hurts', hurts)}
      </Field>
      <Field label="Agreed" hint="One a line." fault={errors.agreements?.message}>
        {area('agreements', agreements)}
      </Field>
      <FormEnd error={error} busy={isLoading} says="Keep it" onLeave={onDone} />
    </form>
  );
}
