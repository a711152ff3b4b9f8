import type { BookPrinciple, PlaceRole } from '@lean-mentor/core/book';
import { positionCodes, positionFamily, positionName } from '@lean-mentor/core/scoring';
import { X } from 'lucide-react';
import { lineClass } from '../../shared/forms/index.ts';
import { roleWords } from './roleWords.ts';
import { optionsOf, Select } from '../../shared/primitives/index.ts';

type Where = BookPrinciple['where'];

/** In which positions, and for which of the two, a principle can fail: the time spent there is what its mistakes are counted against. */
export function WhereRows({ where, onChange }: { where: Where; onChange: (where: Where) => void }) {
  const left = positionCodes.filter((code) => where.every(({ position }) => position !== code));
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 font-semibold">
        Where it applies <span className="ml-1 text-small font-normal text-reed">nowhere named: anywhere in a bout</span>
      </legend>
      <ul className="grid grid-cols-2 gap-x-6 gap-y-1">
        {where.map(({ position, role }, i) => (
          <li key={position} className="flex items-center gap-2">
            <span className="min-w-0 grow truncate">{positionName(position)}</span>
            <Select
              label={`Who, in ${positionName(position)}`}
              value={role}
              options={optionsOf<PlaceRole>(['holder', 'other', 'either'], (one) => roleWords(position, one))}
              onChange={(next) => onChange(where.map((one, j) => (j === i ? { position, role: next } : one)))}
              className="rounded-sm border border-seam bg-linen px-1 py-0.5 text-small"
            />
            <button
              type="button"
              aria-label={`Take out ${positionName(position)}`}
              onClick={() => onChange(where.filter((_, j) => j !== i))}
              className="p-0.5 hover:text-brick"
            >
              <X size={13} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      <Select
        label="Add a position"
        value=""
        placeholder="add a position …"
        options={optionsOf(left, positionName)}
        onChange={(position) => onChange([...where, { position, role: positionFamily(position) === 'neutral' ? 'either' : 'other' }])}
        className={`${lineClass} max-w-60`}
      />
    </fieldset>
  );
}
