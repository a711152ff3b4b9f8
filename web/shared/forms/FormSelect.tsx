import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { Select, type SelectProps } from '../primitives/index.ts';

interface FormSelectProps<Form extends FieldValues, Sent> extends Omit<SelectProps<string>, 'value' | 'onChange'> {
  control: Control<Form, unknown, Sent>;
  name: FieldPath<Form>;
  /** What is kept of the chosen option, where that is not its text. */
  kept?: (chosen: string) => unknown;
}

/** A list to choose from as a field of a form. */
export function FormSelect<Form extends FieldValues, Sent>({ control, name, kept, ...select }: FormSelectProps<Form, Sent>) {
  const {
    field: { ref, value, onChange },
  } = useController({ control, name });
  return <Select {...select} ref={ref} value={String(value ?? '')} onChange={(chosen) => onChange(kept ? kept(chosen) : chosen)} />;
}
