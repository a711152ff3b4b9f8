import type { Control, FieldPath, FieldValues, UseFormRegisterReturn } from 'react-hook-form';
import { FormSelect } from '../../shared/forms/index.ts';
import { Field, smallInputClass } from '../../shared/primitives/index.ts';

interface TurnaroundFieldsProps<Form extends FieldValues, Sent> {
  hours: UseFormRegisterReturn;
  control: Control<Form, unknown, Sent>;
  /** Under which name the form keeps whose hours they are. */
  kind: FieldPath<Form>;
  fault: string | undefined;
}

const kinds = [
  { value: 'working', words: 'hours of mine' },
  { value: 'calendar', words: 'hours of the calendar' },
];

/** Within how many hours something is promised, and of whose. */
export function TurnaroundFields<Form extends FieldValues, Sent>({ hours, control, kind, fault }: TurnaroundFieldsProps<Form, Sent>) {
  return (
    <>
      <Field label="Promised within" fault={fault}>
        {(field) => <input {...field} {...hours} type="number" min={1} className={smallInputClass} />}
      </Field>
      <Field label="counted in">
        {(field) => <FormSelect {...field} control={control} name={kind} options={kinds} className={smallInputClass} />}
      </Field>
    </>
  );
}
