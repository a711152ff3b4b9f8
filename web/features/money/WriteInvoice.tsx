import { zodResolver } from '@hookform/resolvers/zod';
import { writeInvoice } from '@lean-mentor/contract';
import { useFieldArray, useForm } from 'react-hook-form';
import { toast } from 'sonner';
import { z } from 'zod';
import { FormEnd, FormFinder } from '../../shared/forms/index.ts';
import { Button, Field, namedOptions, smallInputClass } from '../../shared/primitives/index.ts';
import { useListClientsQuery } from '../clients/index.ts';
import { useWriteInvoiceMutation } from './api.ts';

const fieldsSchema = writeInvoice.body.extend({ clientId: z.uuid('Choose a client.') });
type Fields = z.infer<typeof fieldsSchema>;

/** An invoice by hand: for what no plan holds. */
export function WriteInvoice({ currency, onDone }: { currency: string; onDone: () => void }) {
  const { data: listed } = useListClientsQuery();
  const [write, { isLoading, error }] = useWriteInvoiceMutation();
  const { register, handleSubmit, control, formState } = useForm<Fields>({
    resolver: zodResolver(fieldsSchema),
    defaultValues: { clientId: '', lines: [{ words: '', amount: '' }] },
  });
  const { fields, append, remove } = useFieldArray({ control, name: 'lines' });
  const { errors } = formState;
  const send = async (invoice: Fields): Promise<void> => {
    const { data } = await write(invoice);
    if (!data) return;
    toast(`Invoice ${data.number} is written; whoever pays is told by letter.`);
    onDone();
  };
  return (
    <form
      aria-label="An invoice by hand"
      noValidate
      className="flex max-w-2xl flex-col gap-3 border-y border-ink py-4"
      onSubmit={handleSubmit(send)}
    >
      <Field label="For" fault={errors.clientId?.message}>
        {(field) => (
          <FormFinder
            {...field}
            control={control}
            name="clientId"
            placeholder="whom …"
            options={namedOptions(listed?.clients ?? [])}
            className={`${smallInputClass} max-w-64`}
          />
        )}
      </Field>
      {fields.map(({ id }, i) => (
        <div key={id} className="grid grid-cols-[minmax(0,1fr)_8rem_auto] items-start gap-4">
          <Field label={i === 0 ? 'What for' : `Line ${i + 1}`} fault={errors.lines?.[i]?.words?.message}>
            {(field) => <input {...field} {...register(`lines.${i}.words`)} className={smallInputClass} />}
          </Field>
          <Field label={`Amount, ${currency}`} fault={errors.lines?.[i]?.amount?.message}>
            {(field) => (
              <input {...field} {...register(`lines.${i}.amount`)} inputMode="decimal" placeholder="45.00" className={smallInputClass} />
            )}
          </Field>
          <Button
            look="quiet"
            className="mt-7"
            disabled={fields.length === 1}
            aria-label={`Leave line ${i + 1} out`}
            onClick={() => remove(i)}
          >
            Leave out
          </Button>
        </div>
      ))}
      <FormEnd error={error} busy={isLoading} says="Write it" onLeave={onDone}>
        <Button look="plain" onClick={() => append({ words: '', amount: '' })}>
          One more line
        </Button>
      </FormEnd>
    </form>
  );
}
