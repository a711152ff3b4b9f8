import { bodyParts, partWords, type BodyPart } from '@lean-mentor/core/care';
import { stanceNames, stances, type Variant } from '@lean-mentor/core/book';
import { ArrowUp, Plus, X } from 'lucide-react';
import { IconButton, optionsOf, Select } from '../../shared/primitives/index.ts';
import { lineClass } from '../../shared/forms/index.ts';

/** Ways of doing it, each with its condition and where the coach stands; in the order they are to be tried. */
export function VariantRows({ variants, onChange }: { variants: readonly Variant[]; onChange: (variants: Variant[]) => void }) {
  const set = (i: number, fields: Partial<Variant>): void => onChange(variants.map((one, j) => (j === i ? { ...one, ...fields } : one)));
  const earlier = (i: number): void => onChange(variants.map((one, j) => (j === i - 1 ? variants[i]! : j === i ? variants[i - 1]! : one)));
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 font-semibold">What to do, and when</legend>
      {variants.map((variant, i) => (
        <div key={i} className="grid grid-cols-[1fr_1.4fr_9rem_auto] items-center gap-2">
          <input
            aria-label={`If, way ${i + 1}`}
            value={variant.when}
            maxLength={300}
            placeholder="if … (or always)"
            onChange={({ target }) => set(i, { when: target.value })}
            className={lineClass}
          />
          <input
            aria-label={`Do, way ${i + 1}`}
            value={variant.do}
            maxLength={300}
            placeholder="do …"
            onChange={({ target }) => set(i, { do: target.value })}
            className={lineClass}
          />
          <Select
            label={`Where you stand, way ${i + 1}`}
            value={variant.stance}
            options={optionsOf(stances, (stance) => stanceNames[stance])}
            onChange={(stance) => set(i, { stance })}
            className={lineClass}
          />
          <span className="flex">
            <IconButton icon={ArrowUp} words="Earlier" disabled={i === 0} onClick={() => earlier(i)} />
            <IconButton icon={X} words="Take this way out" onClick={() => onChange(variants.filter((_, j) => j !== i))} />
          </span>
          <Spares way={i + 1} spares={variant.spares} onChange={(spares) => set(i, { spares })} />
        </div>
      ))}
      <button
        type="button"
        className="inline-flex items-center gap-1 self-start text-small font-semibold text-pine hover:underline"
        onClick={() => onChange([...variants, { when: '', do: '', stance: 'taught', spares: [] }])}
      >
        <Plus size={14} aria-hidden /> One more way
      </button>
    </fieldset>
  );
}

/** Parts of the body that this way spares, of what the principle asks otherwise. */
function Spares({ way, spares, onChange }: { way: number; spares: readonly BodyPart[]; onChange: (spares: BodyPart[]) => void }) {
  return (
    <span className="col-span-4 -mt-1 flex flex-wrap items-center gap-1.5 text-small text-reed">
      spares
      {spares.map((part) => (
        <button
          key={part}
          type="button"
          title="It does not spare this"
          className="rounded-sm border border-pine px-1.5 text-pine"
          onClick={() => onChange(spares.filter((one) => one !== part))}
        >
          {partWords({ part, side: null })} ×
        </button>
      ))}
      <Select
        label={`Spares, way ${way}`}
        value=""
        placeholder={spares.length === 0 ? 'nothing' : 'also …'}
        options={optionsOf(
          bodyParts.filter((part) => !spares.includes(part)),
          (part) => partWords({ part, side: null }),
        )}
        onChange={(part) => onChange([...spares, part])}
        className="rounded-sm border border-seam bg-linen px-1"
      />
    </span>
  );
}
