import { zodResolver } from '@hookform/resolvers/zod';
import { billing as billingSchema, type Billing } from '@lean-mentor/contract';
import { useForm } from 'react-hook-form';
import { toast } from 'sonner';
import { FormEnd } from '../../shared/forms/index.ts';
import { Field, smallInputClass } from '../../shared/primitives/index.ts';
import { useSetBillingMutation } from './api.ts';

/** What stands on invoices, and from which day there are any. */
export function BillingForm({ billing, revision, onDone }: { billing: Billing; revision: number; onDone: () => void }) {
  const [set, { isLoading, error }] = useSetBillingMutation();
  const { register, handleSubmit, formState } = useForm<Billing>({ resolver: zodResolver(billingSchema), defaultValues: billing });
  const { errors } = formState;
  const send = async (fields: Billing): Promise<void> => {
    const { data } = await set({ revision, billing: fields });
    if (!data) return;
    toast('Kept. Invoices that were written stay as they are.');
    onDone();
  };
  return (
    <form aria-label="Invoices" noValidate className="flex max-w-2xl flex-col gap-4 border-y border-ink py-4" onSubmit={handleSubmit(send)}>
      <div className="grid grid-cols-2 gap-4">
        <Field
          label="Periods are invoiced from"
          hint="Of plans whose period begins on this day or later. Empty: no invoices."
          fault={errors.fromOn?.message}
        >
          {(field) => (
            <input
              {...field}
              {...register('fromOn', { setValueAs: (day: string | null) => day || null })}
              type="date"
              className={smallInputClass}
            />
          )}
        </Field>
        <Field label="Days to pay" fault={errors.daysToPay?.message}>
          {(field) => (
            <input
              {...field}
              {...register('daysToPay', { valueAsNumber: true })}
              type="number"
              min={0}
              max={180}
              className={smallInputClass}
            />
          )}
        </Field>
      </div>
      <Field label="Who writes them" hint="Name, address, and what the law of your place wants there." fault={errors.seller?.message}>
        {(field) => <textarea {...field} {...register('seller')} rows={3} className={smallInputClass} />}
      </Field>
      <Field
        label="Below the sum"
        hint="How to pay; words on taxes. No tax is reckoned here: prices are what is paid."
        fault={errors.note?.message}
      >
        {(field) => <textarea {...field} {...register('note')} rows={3} className={smallInputClass} />}
      </Field>
      <FormEnd error={error} busy={isLoading} says="Keep this" onLeave={onDone} />
    </form>
  );
}
