import {
  bodyParts,
  bodySides,
  burdens,
  burdenWords,
  isPaired,
  partWords,
  type BodyPart,
  type BodySide,
  type Burden,
  type Load,
} from '@lean-mentor/core/care';

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
      <select
        aria-label="Part of the body"
        value={part}
        onChange={({ target }) => {
          const next = target.value as BodyPart;
          change({ part: next, side: isPaired(next) ? side : null });
        }}
        className={`${selectLook} ${large ? 'min-h-11' : ''}`}
      >
        {bodyParts.map((one) => (
          <option key={one} value={one}>
            {partWords({ part: one, side: null })}
          </option>
        ))}
      </select>
      {isPaired(part) && (
        <select
          aria-label="Side"
          value={side ?? ''}
          onChange={({ target }) => change({ side: (target.value || null) as BodySide | null })}
          className={`${selectLook} ${large ? 'min-h-11' : ''}`}
        >
          <option value="">either side</option>
          {bodySides.map((one) => (
            <option key={one} value={one}>
              {one}
            </option>
          ))}
        </select>
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
