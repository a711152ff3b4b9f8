import { useCombobox } from 'downshift';
import { Popover } from 'radix-ui';
import { useMemo, useState, type ChangeEvent, type MouseEvent, type ReactNode, type Ref } from 'react';
import { smallSelect, type Option } from './Select.tsx';

/** So many are offered at once. */
const mostOffered = 8;

export interface FinderProps {
  /** What it is called, where no label beside it says so. */
  label?: string;
  /** What is chosen; empty where nothing is. */
  value: string;
  options: readonly Option[];
  onChange: (value: string) => void;
  placeholder?: string;
  className?: string;
  /** May be left without a choice again, by emptying the field. */
  mayBeEmpty?: boolean;
  /** Adds what is typed and not there yet; `words` say what it becomes. */
  adds?: { words: string; mostLetters: number; add: (typed: string) => void } | undefined;
  autoFocus?: boolean;
  ref?: Ref<HTMLInputElement>;
  id?: string;
  'aria-describedby'?: string | undefined;
  'aria-invalid'?: boolean;
}

const byName = new Intl.Collator();

/** Options of which a part is called so: those that begin with it first, then those of which a word does, each by name. */
export function optionsCalled(options: readonly Option[], typed: string): Option[] {
  const wanted = typed.trim().toLocaleLowerCase();
  const rank = ({ words }: Option): number => {
    const name = words.toLocaleLowerCase();
    return name.startsWith(wanted) ? 0 : name.includes(` ${wanted}`) ? 1 : name.includes(wanted) ? 2 : 3;
  };
  return options
    .map((option) => ({ option, rank: rank(option) }))
    .filter((one) => one.rank < 3)
    .sort((a, b) => a.rank - b.rank || byName.compare(a.option.words, b.option.words))
    .map(({ option }) => option);
}

/** What stands in the list for what is not there yet: no option has this value. */
const added = '';

/** What is typed, what it finds, and what is taken of it. */
function useFinder({ value, options, onChange, mayBeEmpty = false, adds, ...given }: FinderProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [open, setOpen] = useState(false);
  const found = useMemo(() => optionsCalled(options, typed ?? ''), [options, typed]);
  const name = typed?.trim() ?? '';
  const isThere = found.some(({ words }) => words.toLocaleLowerCase() === name.toLocaleLowerCase());
  const offered = found.slice(0, mostOffered);
  const choices = adds && name !== '' && !isThere ? [...offered, { value: added, words: name }] : offered;
  const close = (): void => {
    setTyped(null);
    setOpen(false);
  };
  const take = (choice: Option): void => {
    close();
    if (choice.value === added) adds?.add(choice.words);
    else onChange(choice.value);
  };
  const leave = (): void => {
    if (typed === '' && mayBeEmpty && value !== '') onChange('');
    close();
  };
  const combobox = useCombobox<Option>({
    items: choices,
    isOpen: open && choices.length > 0,
    inputValue: typed ?? options.find((option) => option.value === value)?.words ?? '',
    selectedItem: null,
    defaultHighlightedIndex: 0,
    itemToString: (choice) => choice?.words ?? '',
    onStateChange: ({ type, selectedItem }) => {
      if (selectedItem) take(selectedItem);
      else if (type === useCombobox.stateChangeTypes.InputKeyDownArrowDown) setOpen(true);
      else if (type === useCombobox.stateChangeTypes.InputKeyDownEscape) close();
    },
    stateReducer: (state, { type, changes }) =>
      type === useCombobox.stateChangeTypes.InputBlur ? { ...changes, selectedItem: null, inputValue: state.inputValue } : changes,
  });
  const isOpen = open && (choices.length > 0 || name !== '');
  const fieldProps = {
    ...(given.ref && { ref: given.ref }),
    ...(given.label !== undefined && { 'aria-label': given.label }),
    'aria-labelledby': undefined,
    onBlur: leave,
    onClick: ({ currentTarget }: MouseEvent<HTMLInputElement>) => {
      setOpen(true);
      if (typed === null) currentTarget.select();
    },
    // Not by way of the combobox's own state, which comes a moment later: a fast typist's letters would be lost.
    onChange: ({ currentTarget }: ChangeEvent<HTMLInputElement>) => {
      setTyped(currentTarget.value);
      setOpen(true);
    },
  };
  return { isOpen, choices: open ? choices : [], more: found.length - offered.length, fieldProps, combobox };
}

/** One of many, found by typing a part of what it is called. Leaving the field chooses nothing. */
export function Finder(props: FinderProps) {
  const { isOpen, choices, more, fieldProps, combobox } = useFinder(props);
  const { getInputProps, getItemProps, getMenuProps, highlightedIndex } = combobox;
  const { label, placeholder, className = smallSelect, adds, autoFocus, id } = props;
  const described = { 'aria-describedby': props['aria-describedby'], 'aria-invalid': props['aria-invalid'] };
  return (
    <Popover.Root open={isOpen}>
      <Popover.Anchor asChild>
        <input
          {...getInputProps({ ...fieldProps, ...described })}
          // Over the combobox's own, by which a label would not find it.
          {...(id !== undefined && { id })}
          autoFocus={autoFocus}
          placeholder={placeholder}
          spellCheck={false}
          maxLength={adds?.mostLetters}
          className={className}
        />
      </Popover.Anchor>
      <Offered more={more}>
        <ul {...getMenuProps({ 'aria-label': label ?? 'What is found', 'aria-labelledby': undefined }, { suppressRefError: true })}>
          {choices.map((choice, index) => (
            <li
              key={choice.value}
              {...getItemProps({ item: choice, index })}
              className={`flex cursor-pointer items-center px-3 py-1 pointer-coarse:min-h-11 ${index === highlightedIndex ? 'bg-straw' : ''}`}
            >
              {choice.value === added && `${adds?.words}: `}
              <span className={choice.value === added ? 'ml-1 font-semibold' : ''}>{choice.words}</span>
            </li>
          ))}
        </ul>
        {choices.length === 0 && <p className="px-3 py-1 text-reed">Nothing is called so.</p>}
      </Offered>
    </Popover.Root>
  );
}

const stay = (event: Event): void => event.preventDefault();

/** The list beside its field, where there is room for it; one goes on typing. `more`: so many are not offered for want of room. */
const Offered = ({ more, children }: { more: number; children: ReactNode }) => (
  <Popover.Portal>
    <Popover.Content
      role="presentation"
      align="start"
      sideOffset={4}
      collisionPadding={12}
      onOpenAutoFocus={stay}
      onCloseAutoFocus={stay}
      className="z-30 max-w-[min(24rem,calc(100vw-24px))] min-w-(--radix-popover-trigger-width) border border-ink bg-linen py-1 text-desk text-ink shadow-lg"
    >
      {children}
      {more > 0 && <p className="px-3 py-1 text-small text-reed">{more} more: type a part of the name.</p>}
    </Popover.Content>
  </Popover.Portal>
);
