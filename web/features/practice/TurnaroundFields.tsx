import type { UseFormRegisterReturn } from 'react-hook-form';
import { Field, smallInputClass } from '../../shared/primitives/index.ts';

/** Within how many hours something is promised, and of whose. */
export function TurnaroundFields({
  hours,
  kind,
  fault,
}: {
  hours: UseFormRegisterReturn;
  kind: UseFormRegisterReturn;
  fault: string | undefined;
}) {
  return (
    <>
      <Field label="Promised within" fault={fault}>
        {(field) => <input {...field} {...hours} type="number" min={1} className={smallInputClass} />}
      </Field>
      <Field label="counted in">
        {(field) => (
          <select {...field} {...kind} className={smallInputClass}>
            <option value="working">hours of mine</option>
            <option value="calendar">hours of the calendar</option>
          </select>
        )}
      </Field>
    </>
  );
}
