import { ChevronDown, ChevronUp } from 'lucide-react';
import { Select as Radix } from 'radix-ui';
import { useRef, type Ref } from 'react';

export interface Option<V extends string = string> {
  /** What is chosen by it; empty: none of the others. */
  value: V;
  words: string;
  disabled?: boolean;
}

export interface SelectProps<V extends string> {
  /** What it is called, where no label beside it says so. */
  label?: string;
  value: V | '';
  options: readonly Option<V>[];
  onChange: (value: V) => void;
  /** Said while nothing is chosen; a list that only adds something always says it. */
  placeholder?: string;
  /** How it looks closed; as a line of its own where nothing else is said. */
  className?: string;
  autoFocus?: boolean;
  ref?: Ref<HTMLButtonElement>;
  id?: string;
  'aria-describedby'?: string | undefined;
  'aria-invalid'?: boolean;
}

/** An option without a value: Radix keeps the empty one for what nobody has chosen yet. */
const none = ' ';
const inside = (value: string): string => (value === '' ? none : value);

/** On the desk and on the coach's pages, where many stand beside one another. */
export const smallSelect = 'rounded-sm border border-seam bg-linen px-2 py-1 hover:border-reed aria-invalid:border-brick';

/** One of a list that opens over the page: by pointer, by arrow keys, or by typing how a line begins. */
export function Select<V extends string>(props: SelectProps<V>) {
  const { label, value, options, onChange, placeholder, className = smallSelect, ...field } = props;
  const byPointer = useRef(false);
  const held = options.some((option) => option.value === value) ? inside(value) : '';
  return (
    <Radix.Root value={held} onValueChange={(chosen) => onChange((chosen === none ? '' : chosen) as V)}>
      <Radix.Trigger
        {...field}
        {...(label !== undefined && { 'aria-label': label })}
        data-value={value}
        onPointerDown={() => void (byPointer.current = true)}
        onKeyDown={() => void (byPointer.current = false)}
        className={`inline-flex min-w-0 items-center justify-between gap-1.5 text-left ${className}`}
      >
        <span className="truncate">
          <Radix.Value placeholder={placeholder} />
        </span>
        <Radix.Icon className="shrink-0 text-reed">
          <ChevronDown size={14} aria-hidden />
        </Radix.Icon>
      </Radix.Trigger>
      <Radix.Portal>
        <Radix.Content
          position="popper"
          sideOffset={4}
          collisionPadding={12}
          // Whoever works by pointer has the page's own keys again, as on the desk; by keys one stays where one was.
          onCloseAutoFocus={(event) => byPointer.current && event.preventDefault()}
          className="z-30 flex max-h-(--radix-select-content-available-height) max-w-[calc(100vw-24px)] min-w-(--radix-select-trigger-width) flex-col border border-ink bg-linen text-desk text-ink shadow-lg"
        >
          <Radix.ScrollUpButton className="flex justify-center py-0.5">
            <ChevronUp size={14} aria-hidden />
          </Radix.ScrollUpButton>
          <Radix.Viewport className="py-1">
            {options.map((option) => (
              <Radix.Item
                key={option.value}
                value={inside(option.value)}
                disabled={option.disabled ?? false}
                className="flex cursor-pointer items-center px-3 py-1 outline-none data-disabled:cursor-default data-disabled:text-reed data-highlighted:bg-straw data-[state=checked]:font-semibold pointer-coarse:min-h-11"
              >
                <Radix.ItemText>{option.words}</Radix.ItemText>
              </Radix.Item>
            ))}
          </Radix.Viewport>
          <Radix.ScrollDownButton className="flex justify-center py-0.5">
            <ChevronDown size={14} aria-hidden />
          </Radix.ScrollDownButton>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

/** What has an id and a name, by its name. */
export const namedOptions = (named: readonly { id: string; name: string }[]): Option[] =>
  named.map(({ id, name }) => ({ value: id, words: name }));

/** A list of plain values with the words for each. */
export const optionsOf = <V extends string>(values: readonly V[], words: (value: V) => string): Option<V>[] =>
  values.map((value) => ({ value, words: words(value) }));
