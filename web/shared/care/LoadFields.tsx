import { bodyParts, bodySides, burdens, burdenWords, isPaired, partWords, type Burden, type Load } from '@lean-mentor/core/care';
import { optionsOf, Select } from '../primitives/index.ts';

const selectLook = 'rounded-sm border border-seam bg-linen px-2 py-1';

/** A part of the body, its side, and what is asked of it. `large`: for thumbs. */
export function LoadFields({
  load,
  large = false,
  onChange,
}: {
  load: Load;
  large?: boolean;
  onChange: (fields: Pick<Load, 'part' | 'side'> & { burdens: Burden[] }) => void;
}) {
  const { part, side, burdens: asked = [] } = load;
  const change = (fields: Partial<Load>): void => onChange({ part, side, ...fields, burdens: fields.burdens ?? asked });
  const size = large ? 'min-h-11 px-3' : 'px-1.5 py-0.5 text-small';
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      <Select
        label="Part of the body"
        value={part}
        options={optionsOf(bodyParts, (one) => partWords({ part: one, side: null }))}
        onChange={(next) => change({ part: next, side: isPaired(next) ? side : null })}
        className={`${selectLook} ${large ? 'min-h-11' : ''}`}
      />
      {isPaired(part) && (
        <Select
          label="Side"
          value={side ?? ''}
          options={[{ value: '', words: 'either side' }, ...optionsOf(bodySides, (one) => one)]}
          onChange={(next) => change({ side: next || null })}
          className={`${selectLook} ${large ? 'min-h-11' : ''}`}
        />
      )}
      {burdens.map((burden) => {
        const on = asked.includes(burden);
        return (
          <button
            key={burden}
            type="button"
            aria-pressed={on}
            onClick={() => change({ burdens: on ? asked.filter((one) => one !== burden) : [...asked, burden] })}
            className={`rounded-sm border ${size} ${on ? 'border-pine bg-pine text-linen' : 'border-seam bg-linen hover:border-pine'}`}
          >
            {burdenWords[burden]}
          </button>
        );
      })}
    </div>
  );
}
