import { X } from 'lucide-react';
import { useId, useState } from 'react';

interface PickNamesProps {
  label: string;
  /** Ids, in order. */
  chosen: readonly string[];
  options: readonly { id: string; name: string }[];
  hint: string;
  onChange: (ids: string[]) => void;
}

const same = (a: string, b: string): boolean => a.trim().toLocaleLowerCase() === b.trim().toLocaleLowerCase();

/** Several of a list, by name: those chosen stand as words that can be taken out, a line offers the rest as one types. */
export function PickNames({ label, chosen, options, hint, onChange }: PickNamesProps) {
  const list = useId();
  const [words, setWords] = useState('');
  const names = new Map(options.map(({ id, name }) => [id, name]));
  const left = options.filter(({ id }) => !chosen.includes(id));
  const take = (typed: string): void => {
    const found = left.find(({ name }) => same(name, typed));
    setWords(found ? '' : typed);
    if (found) onChange([...chosen, found.id]);
  };
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="font-semibold">{label}</legend>
      {chosen.length > 0 && (
        <ul className="flex flex-wrap gap-x-3 gap-y-1">
          {chosen.map((id) => (
            <li key={id} className="inline-flex items-center gap-1 border-b border-seam">
              {names.get(id) ?? 'not in the book any more'}
              <button
                type="button"
                aria-label={`Take out ${names.get(id) ?? id}`}
                onClick={() => onChange(chosen.filter((other) => other !== id))}
                className="p-0.5 hover:text-brick"
              >
                <X size={13} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
      )}
      <input
        aria-label={`Add to “${label}”`}
        list={list}
        value={words}
        placeholder={hint}
        onChange={({ target }) => take(target.value)}
        className="rounded-sm border border-seam bg-linen px-2 py-1"
      />
      <datalist id={list}>
        {left.map(({ id, name }) => (
          <option key={id} value={name} />
        ))}
      </datalist>
    </fieldset>
  );
}
