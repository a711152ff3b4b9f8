import { zodResolver } from '@hookform/resolvers/zod';
import { setHours, type BodyOf } from '@lean-mentor/contract';
import { Plus, X } from 'lucide-react';
import { useFieldArray, useForm, type Control, type UseFormRegister } from 'react-hook-form';
import { toast } from 'sonner';
import type { z } from 'zod';
import { Button, FaultNote, Field, IconButton, smallInputClass } from '../../shared/primitives/index.ts';
import { TurnaroundFields } from './TurnaroundFields.tsx';
import { faultWords } from '../../shared/wire/index.ts';
import { useSetHoursMutation } from './api.ts';
import type { Practice } from '../plans/index.ts';

type Form = z.input<typeof setHours.body>;
type Sent = BodyOf<typeof setHours>;

const days = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

/** Weekly hours, days that are otherwise, stays elsewhere, and what is promised without a plan. */
export function HoursForm({ practice, readOnly }: { practice: Practice; readOnly: boolean }) {
  const [save, { isLoading, error }] = useSetHoursMutation();
  const { hours, turnaround, currency, revision } = practice;
  const form = useForm<Form, unknown, Sent>({
    resolver: zodResolver(setHours.body),
    defaultValues: { hours, turnaround, currency, revision },
  });
  const { register, control, formState } = form;
  const { errors } = formState;
  const send = async (wanted: Sent): Promise<void> => {
    const { error: refused } = await save(wanted);
    if (!refused) toast('Your hours are kept. What is foreseen follows them; what was promised stays.');
  };
  const weeklyFault = errors.hours?.weekly?.find?.((fault) => fault)?.to?.message ?? errors.hours?.weekly?.message;
  return (
    <form aria-label="Working hours" noValidate onSubmit={form.handleSubmit(send)}>
      <fieldset disabled={readOnly} className="flex flex-col gap-8">
        <section className="flex flex-col gap-3">
          <h2 className="border-t border-ink pt-2 text-desk">Every week</h2>
          <Weekly control={control} register={register} />
          {weeklyFault && <FaultNote>{weeklyFault}</FaultNote>}
          <Field label="On the clock of" fault={errors.hours?.zone?.message}>
            {(field) => (
              <>
                <input {...field} {...register('hours.zone')} list="zones" autoComplete="off" className={`${smallInputClass} max-w-72`} />
                <datalist id="zones">
                  {Intl.supportedValuesOf('timeZone').map((zone) => (
                    <option key={zone} value={zone} />
                  ))}
                </datalist>
              </>
            )}
          </Field>
        </section>
        <Exceptions control={control} register={register} fault={Boolean(errors.hours?.exceptions)} />
        <Stays control={control} register={register} fault={Boolean(errors.hours?.stays)} />
        <section className="flex flex-col gap-3">
          <h2 className="border-t border-ink pt-2 text-desk">Without a plan</h2>
          <div className="grid max-w-lg grid-cols-[8rem_1fr_6rem] items-end gap-4">
            <TurnaroundFields
              hours={register('turnaround.hours', { valueAsNumber: true })}
              control={form.control}
              kind="turnaround.kind"
              fault={errors.turnaround?.hours?.message}
            />
            <Field label="Currency" fault={errors.currency?.message}>
              {(field) => <input {...field} {...register('currency')} maxLength={3} className={smallInputClass} />}
            </Field>
          </div>
        </section>
        {error && <FaultNote>{faultWords(error)}</FaultNote>}
        {!readOnly && (
          <Button type="submit" busy={isLoading} className="self-start">
            Keep these hours
          </Button>
        )}
      </fieldset>
    </form>
  );
}

interface PartProps {
  control: Control<Form, unknown, Sent>;
  register: UseFormRegister<Form>;
}

function Weekly({ control, register }: PartProps) {
  const { fields, append, remove } = useFieldArray({ control, name: 'hours.weekly' });
  return (
    <div className="grid gap-y-1">
      {days.map((name, i) => (
        <div key={name} role="group" aria-label={name} className="flex min-h-9 flex-wrap items-center gap-x-4 gap-y-1">
          <span className="w-24 font-semibold">{name}</span>
          {fields.every(({ day }) => day !== i + 1) && <span className="text-reed">off</span>}
          {fields.map((field, at) =>
            field.day !== i + 1 ? null : (
              <span key={field.id} className="flex items-center gap-1">
                <input
                  aria-label={`${name} from`}
                  inputMode="numeric"
                  placeholder="9:00"
                  maxLength={5}
                  {...register(`hours.weekly.${at}.from`)}
                  className={`${smallInputClass} max-w-18 text-center`}
                />
                –
                <input
                  aria-label={`${name} to`}
                  inputMode="numeric"
                  placeholder="9:00"
                  maxLength={5}
                  {...register(`hours.weekly.${at}.to`)}
                  className={`${smallInputClass} max-w-18 text-center`}
                />
                <IconButton icon={X} words={`Take this window of ${name} away`} onClick={() => remove(at)} />
              </span>
            ),
          )}
          <IconButton icon={Plus} words={`Another window on ${name}`} onClick={() => append({ day: i + 1, from: '09:00', to: '12:00' })} />
        </div>
      ))}
    </div>
  );
}

function Exceptions({ control, register, fault }: PartProps & { fault: boolean }) {
  const { fields, append, remove } = useFieldArray({ control, name: 'hours.exceptions' });
  return (
    <section className="flex flex-col gap-2">
      <h2 className="border-t border-ink pt-2 text-desk">Days that are otherwise</h2>
      {fields.length === 0 && <p className="text-reed">None. A day off, or other hours than usual, goes before the week.</p>}
      {fields.map((field, at) => (
        <div key={field.id} className="flex flex-wrap items-center gap-2">
          <input aria-label="Day" type="date" {...register(`hours.exceptions.${at}.date`)} className={`${smallInputClass} max-w-40`} />
          {'off' in field ? (
            <span>off</span>
          ) : (
            <>
              <input
                aria-label="from"
                inputMode="numeric"
                placeholder="9:00"
                maxLength={5}
                {...register(`hours.exceptions.${at}.from`)}
                className={`${smallInputClass} max-w-18 text-center`}
              />
              –
              <input
                aria-label="to"
                inputMode="numeric"
                placeholder="9:00"
                maxLength={5}
                {...register(`hours.exceptions.${at}.to`)}
                className={`${smallInputClass} max-w-18 text-center`}
              />
            </>
          )}
          <IconButton icon={X} words="Take this day away" onClick={() => remove(at)} />
        </div>
      ))}
      {fault && <FaultNote>Give each of these days its date, and hours that begin before they end.</FaultNote>}
      <div className="flex gap-2">
        <Button look="plain" onClick={() => append({ date: '', off: true })}>
          A day off
        </Button>
        <Button look="plain" onClick={() => append({ date: '', from: '10:00', to: '12:00' })}>
          Other hours
        </Button>
      </div>
    </section>
  );
}

function Stays({ control, register, fault }: PartProps & { fault: boolean }) {
  const { fields, append, remove } = useFieldArray({ control, name: 'hours.stays' });
  return (
    <section className="flex flex-col gap-2">
      <h2 className="border-t border-ink pt-2 text-desk">Days in another time zone</h2>
      {fields.length === 0 && <p className="text-reed">None. While you are elsewhere your hours are meant on the clock there.</p>}
      {fields.map((field, at) => (
        <div key={field.id} className="flex flex-wrap items-center gap-2">
          <input aria-label="First day" type="date" {...register(`hours.stays.${at}.from`)} className={`${smallInputClass} max-w-40`} />–
          <input aria-label="Last day" type="date" {...register(`hours.stays.${at}.to`)} className={`${smallInputClass} max-w-40`} />
          <input
            aria-label="Zone"
            list="zones"
            {...register(`hours.stays.${at}.zone`)}
            placeholder="Europe/Lisbon"
            className={`${smallInputClass} max-w-48`}
          />
          <IconButton icon={X} words="Take this stay away" onClick={() => remove(at)} />
        </div>
      ))}
      {fault && <FaultNote>Give each stay its first and last day, and a zone like “Europe/Lisbon”.</FaultNote>}
      <Button look="plain" className="self-start" onClick={() => append({ from: '', to: '', zone: '' })}>
        A stay elsewhere
      </Button>
    </section>
  );
}
