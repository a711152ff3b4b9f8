import { zodResolver } from '@hookform/resolvers/zod';
import { addPlan, answerWays, type Plan, type PlanFields } from '@lean-mentor/contract';
import { planPeriods } from '@lean-mentor/core/plans';
import { useForm, type UseFormRegister } from 'react-hook-form';
import { FormEnd, FormSelect } from '../../shared/forms/index.ts';
import { FaultNote, Field, optionsOf, smallInputClass } from '../../shared/primitives/index.ts';
import { TurnaroundFields } from './TurnaroundFields.tsx';
import { useAddPlanMutation, useChangePlanMutation } from './api.ts';
import { periodWords, wayWords } from '../plans/index.ts';

const blank: PlanFields = {
  ...{ name: '', price: '45.00', extraPrice: '25.00', period: 'month', requestsPerPeriod: 2, rank: 1, includes: ['written'] },
  turnaround: { hours: 20, kind: 'working' },
};

/** A new plan, or changing one. */
export function PlanForm({ plan, currency, onDone }: { plan: Plan | null; currency: string; onDone: () => void }) {
  const [add, added] = useAddPlanMutation();
  const [change, changed] = useChangePlanMutation();
  const form = useForm<PlanFields>({ resolver: zodResolver(addPlan.body), defaultValues: plan ?? blank });
  const { register, formState } = form;
  const { errors } = formState;
  const error = added.error ?? changed.error;
  const send = async (fields: PlanFields): Promise<void> => {
    const { error: refused } = plan ? await change({ ...fields, planId: plan.id }) : await add(fields);
    if (!refused) onDone();
  };
  return (
    <form
      aria-label={plan ? `Change ${plan.name}` : 'A new plan'}
      noValidate
      className="flex flex-col gap-4 border-y border-ink py-4"
      onSubmit={form.handleSubmit(send)}
    >
      <div className="grid grid-cols-4 gap-x-4 gap-y-3">
        <Field label="Name" fault={errors.name?.message}>
          {(field) => <input {...field} {...register('name')} autoComplete="off" className={smallInputClass} />}
        </Field>
        <Field label={`Price, ${currency}`} fault={errors.price?.message}>
          {(field) => <input {...field} {...register('price')} inputMode="decimal" className={smallInputClass} />}
        </Field>
        <Field label="is paid">
          {(field) => (
            <FormSelect
              {...field}
              control={form.control}
              name="period"
              options={optionsOf(planPeriods, (period) => periodWords[period])}
              className={smallInputClass}
            />
          )}
        </Field>
        <Field label="Requests in it" fault={errors.requestsPerPeriod?.message}>
          {(field) => (
            <input
              {...field}
              {...register('requestsPerPeriod', { valueAsNumber: true })}
              type="number"
              min={1}
              className={smallInputClass}
            />
          )}
        </Field>
        <Field label={`One more, ${currency}`} fault={errors.extraPrice?.message}>
          {(field) => <input {...field} {...register('extraPrice')} inputMode="decimal" className={smallInputClass} />}
        </Field>
        <TurnaroundFields
          hours={register('turnaround.hours', { valueAsNumber: true })}
          control={form.control}
          kind="turnaround.kind"
          fault={errors.turnaround?.hours?.message}
        />
        <Field label="Rank" hint="1 goes first." fault={errors.rank?.message}>
          {(field) => <input {...field} {...register('rank', { valueAsNumber: true })} type="number" min={1} className={smallInputClass} />}
        </Field>
      </div>
      <Ways register={register} />
      {errors.includes?.message && <FaultNote>{errors.includes.message}</FaultNote>}
      <FormEnd
        error={error}
        busy={added.isLoading || changed.isLoading}
        says={plan ? 'Keep the change' : 'Offer this plan'}
        onLeave={onDone}
      />
    </form>
  );
}

function Ways({ register }: { register: UseFormRegister<PlanFields> }) {
  return (
    <fieldset className="flex gap-6">
      <legend className="mb-1 font-semibold">Answers are</legend>
      {answerWays.map((way) => (
        <label key={way} className="flex items-center gap-2">
          <input type="checkbox" value={way} {...register('includes')} /> {wayWords[way]}
        </label>
      ))}
    </fieldset>
  );
}
