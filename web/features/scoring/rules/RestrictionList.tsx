import { ageGroupWords, type RuleSheet } from '@lean-mentor/core/scoring';
import { X } from 'lucide-react';
import { IconButton, Select } from '../../../shared/primitives/index.ts';

type Restrictions = RuleSheet['restrictions'];

interface RestrictionListProps {
  restrictions: Restrictions;
  editable: boolean;
  onChange: (restrictions: Restrictions) => void;
}

/** By the level below which it is forbidden; the first needs no levels. */
const levels = [
  { value: '0', words: 'everybody' },
  { value: '2', words: 'below the second level' },
  { value: '3', words: 'below the third level' },
  { value: '4', words: 'below the fourth level' },
  { value: '5', words: 'below the fifth level' },
];
/** What an age limit begins with, in years. */
const grown = 18;
const look = 'rounded-sm border border-seam bg-linen px-2 py-0.5 disabled:opacity-70';

/** What a sheet forbids, and to whom. */
export function RestrictionList({ restrictions, editable, onChange }: RestrictionListProps) {
  const set = (i: number, fields: Partial<Restrictions[number]>): void =>
    onChange(restrictions.map((one, j) => (j === i ? { ...one, ...fields } : one)));
  return (
    <div className="flex flex-col gap-1.5">
      <h3 className="font-semibold">Forbidden</h3>
      <ul className="grid grid-cols-2 gap-x-8 gap-y-1 text-small">
        {restrictions.map(({ technique, belowLevel, underAge, ageGroups: groups }, i) => (
          <li key={i} className="flex items-center gap-2">
            <input
              aria-label="Technique"
              value={technique}
              maxLength={60}
              onChange={({ target }) => set(i, { technique: target.value })}
              className={`${look} min-w-0 grow`}
            />
            <Select
              label={`To whom ${technique} is forbidden`}
              value={groups ? 'groups' : underAge !== undefined ? 'age' : String(belowLevel ?? 0)}
              options={[
                ...levels,
                { value: 'age', words: 'under an age' },
                ...(groups ? [{ value: 'groups', words: groups.map((group) => ageGroupWords[group]).join(' and ') }] : []),
              ]}
              onChange={(value) =>
                set(i, {
                  belowLevel: Number(value) || undefined,
                  underAge: value === 'age' ? grown : undefined,
                  ageGroups: undefined,
                })
              }
              className={look}
            />
            {underAge !== undefined && (
              <input
                aria-label={`Years under which ${technique} is forbidden`}
                type="number"
                min={1}
                max={99}
                value={underAge}
                onChange={({ target }) => set(i, { underAge: Number(target.value) })}
                className={`${look} w-14`}
              />
            )}
            {editable && (
              <IconButton icon={X} words={`Allow ${technique}`} onClick={() => onChange(restrictions.filter((_, j) => j !== i))} />
            )}
          </li>
        ))}
      </ul>
      {editable && (
        <button
          type="button"
          className="self-start text-small font-semibold text-pine hover:underline"
          onClick={() => onChange([...restrictions, { technique: '' }])}
        >
          Forbid one more
        </button>
      )}
    </div>
  );
}
