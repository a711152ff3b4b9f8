import { RadioGroup } from 'radix-ui';

interface ChoiceProps<V extends string> {
  label: string;
  value: V | undefined;
  options: readonly { value: V; words: string; hint?: string }[];
  onChange: (value: V) => void;
  fault?: string | undefined;
}

/** One of a few, each on its own large line: for thumbs. */
export function Choice<V extends string>({ label, value, options, onChange, fault }: ChoiceProps<V>) {
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1.5 font-semibold">{label}</legend>
      <RadioGroup.Root aria-label={label} value={value ?? ''} onValueChange={(v) => onChange(v as V)} className="grid grid-cols-2 gap-2">
        {options.map((option) => (
          <RadioGroup.Item
            key={option.value}
            value={option.value}
            className="flex min-h-12 flex-col items-start justify-center rounded-sm border border-seam bg-linen px-3 py-2 text-left hover:border-reed data-[state=checked]:border-pine data-[state=checked]:bg-pine data-[state=checked]:text-linen"
          >
            <span className="font-semibold">{option.words}</span>
            {option.hint && <span className="text-small opacity-80">{option.hint}</span>}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
      {fault && (
        <p role="alert" className="text-small text-brick">
          {fault}
        </p>
      )}
    </fieldset>
  );
}
