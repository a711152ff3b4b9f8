import type { PositionWorth } from '@lean-mentor/contract';
import { isNeutral, positionCodes, positionName, positionValues, presetWords, valuePresets } from '@lean-mentor/core/scoring';
import { useAccount } from '../../access/index.ts';
import { useGetPositionWorthQuery, useSavePositionWorthMutation } from '../api.ts';
import { NumberCell } from './cells.tsx';

const held = positionCodes.filter((code) => !isNeutral(code));

/** What each position is worth to its holder: the lean of every ribbon follows. */
export function WorthEditor() {
  const { data } = useGetPositionWorthQuery();
  const [save] = useSavePositionWorthMutation();
  const isCoach = useAccount()?.role === 'coach';
  if (!data) return null;
  const values = positionValues(data.preset, data.own);
  const change = (fields: Partial<PositionWorth>): void => void save({ ...data, ...fields });
  const own = Object.keys(data.own).length;
  return (
    <section aria-label="What positions are worth" className="flex flex-col gap-3 border-t border-seam pt-4">
      <h2 className="text-read font-semibold">What positions are worth</h2>
      <p className="text-small text-reed">
        To the one who holds them, −100 to 100. The ribbon sways by this; points do not depend on it. A guard is held by the passer.
      </p>
      <fieldset disabled={!isCoach} className="flex flex-wrap items-center gap-5">
        {valuePresets.map((preset) => (
          <label key={preset} className="flex items-center gap-2">
            <input type="radio" name="preset" checked={data.preset === preset} onChange={() => change({ preset })} />
            {presetWords[preset]}
          </label>
        ))}
        {own > 0 && (
          <button type="button" className="text-small font-semibold text-pine hover:underline" onClick={() => change({ own: {} })}>
            Give up your own {own} {own === 1 ? 'value' : 'values'}
          </button>
        )}
      </fieldset>
      <fieldset disabled={!isCoach} className="grid grid-cols-3 gap-x-8 gap-y-1 text-small">
        {held.map((code) => (
          <div key={code} className={code in data.own ? 'font-semibold' : ''}>
            <NumberCell
              label={positionName(code)}
              value={values(code)}
              least={-100}
              most={100}
              step={5}
              onChange={(value) => change({ own: { ...data.own, [code]: value } })}
            />
          </div>
        ))}
      </fieldset>
    </section>
  );
}
