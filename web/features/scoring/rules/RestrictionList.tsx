import { ageGroups, ageGroupWords, type RuleSheet } from '@lean-mentor/core/scoring';
import { X } from 'lucide-react';
import { IconButton } from '../../../shared/primitives/index.ts';

type Restrictions = RuleSheet['restrictions'];

interface RestrictionListProps {
  restrictions: Restrictions;
  editable: boolean;
  onChange: (restrictions: Restrictions) => void;
}

/** By the level below which it is forbidden; the first needs no levels. */
const levels = [
  'everybody',
  '',
  'below the second level',
  'below the third level',
  'below the fourth level',
  'below the fifth level',
] as const;
const look = 'rounded-sm border border-seam bg-linen px-2 py-0.5 disabled:opacity-70';

/** What a sheet forbids, and to whom. */
export function RestrictionList({ restrictions, editable, onChange }: RestrictionListProps) {
  const set = (i: number, fields: Partial<Restrictions[number]>): void =>
    onChange(restrictions.map((one, j) => (j === i ? { ...one, ...fields } : one)));
  return (
    <div className="flex flex-col gap-1.5">
      <h3 className="font-semibold">Forbidden</h3>
      <ul className="grid grid-cols-2 gap-x-8 gap-y-1 text-small">
        {restrictions.map(({ technique, belowLevel, ageGroups: groups }, i) => (
          <li key={i} className="flex items-center gap-2">
            <input
              aria-label="Technique"
              value={technique}
              maxLength={60}
              onChange={({ target }) => set(i, { technique: target.value })}
              className={`${look} min-w-0 grow`}
            />
            <select
              aria-label={`To whom ${technique} is forbidden`}
              value={groups ? groups.join(' ') : String(belowLevel ?? 0)}
              onChange={({ target: { value } }) =>
                set(
                  i,
                  /^\d/.test(value)
                    ? { belowLevel: Number(value) || undefined, ageGroups: undefined }
                    : { belowLevel: undefined, ageGroups: value.split(' ') as never },
                )
              }
              className={look}
            >
              {levels.map((words, level) =>
                words ? (
                  <option key={level} value={level}>
                    {words}
                  </option>
                ) : null,
              )}
              {ageGroups.map((group) => (
                <option key={group} value={group}>
                  {ageGroupWords[group]}
                </option>
              ))}
              <option value="child teen">children and teenagers</option>
            </select>
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
