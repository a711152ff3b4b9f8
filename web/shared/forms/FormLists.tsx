import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { Finder, Select, type FinderProps, type SelectProps } from '../primitives/index.ts';

interface Placed<Form extends FieldValues, Sent> {
  control: Control<Form, unknown, Sent>;
  name: FieldPath<Form>;
  /** What is kept of the chosen option, where that is not its text. */
  kept?: (chosen: string) => unknown;
}

/** What a list in a form is given: what is chosen, and how it is taken. */
function useChosen<Form extends FieldValues, Sent>({ control, name, kept }: Placed<Form, Sent>) {
  const {
    field: { ref, value, onChange },
  } = useController({ control, name });
  return { ref, value: String(value ?? ''), onChange: (chosen: string) => onChange(kept ? kept(chosen) : chosen) };
}

type InForm<Form extends FieldValues, Sent, Props> = Placed<Form, Sent> & Omit<Props, 'value' | 'onChange' | 'ref'>;

/** A list to choose from as a field of a form. */
export function FormSelect<Form extends FieldValues, Sent>(props: InForm<Form, Sent, SelectProps<string>>) {
  const { control, name, kept, ...select } = props;
  return <Select {...select} {...useChosen({ control, name, ...(kept && { kept }) })} />;
}

/** One of many, found by typing, as a field of a form. */
export function FormFinder<Form extends FieldValues, Sent>(props: InForm<Form, Sent, FinderProps>) {
  const { control, name, kept, ...finder } = props;
  return <Finder {...finder} {...useChosen({ control, name, ...(kept && { kept }) })} />;
}
