import { comingUps, type ComingUp } from '@lean-mentor/core/scoring';
import { NumberCell } from './cells.tsx';
import { sheetInput, type SheetPart } from './sheetPart.ts';
import { optionsOf, Select } from '../../../shared/primitives/index.ts';

const comingUpWords: Record<ComingUp, string> = { sweep: 'a sweep', near: 'a near point', nothing: 'nothing' };
const ways = [
  ['fiftyFifty', 'up from fifty-fifty'],
  ['entanglement', 'up from a leg entanglement'],
  ['doublePull', 'up when both sat down'],
] as const;

/** What is gone through on the way to something else, and what coming up out of it pays. */
export function SheetWays({ sheet, set }: SheetPart) {
  const { takedownInto } = sheet;
  return (
    <div className="col-span-3 grid grid-cols-3 gap-x-8 gap-y-1.5">
      <h3 className="col-span-3 font-semibold">Ways through</h3>
      <NumberCell label="at most, in seconds" value={sheet.originSeconds} most={60} onChange={(originSeconds) => set({ originSeconds })} />
      <p className="col-span-2 text-small text-reed">
        A scramble, fifty-fifty, leg entanglement, front headlock or both seated that lasts no longer: what comes after is read against what
        was before.
      </p>
      {ways.map(([field, words]) => (
        <label key={field} className="flex items-center justify-between gap-2">
          {words}
          <Select
            className={sheetInput}
            value={sheet[field]}
            options={optionsOf(comingUps, (one) => comingUpWords[one])}
            onChange={(comingUp) => set({ [field]: comingUp })}
          />
        </label>
      ))}
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          checked={takedownInto !== null}
          onChange={({ target }) =>
            set({ takedownInto: target.checked ? { guard: sheet.points.takedown, past: sheet.points.takedown } : null })
          }
        />
        a takedown pays by where it lands
      </label>
      {takedownInto && (
        <>
          <NumberCell
            label="into a guard"
            value={takedownInto.guard}
            most={20}
            onChange={(guard) => set({ takedownInto: { ...takedownInto, guard } })}
          />
          <NumberCell
            label="past the guard"
            value={takedownInto.past}
            most={20}
            onChange={(past) => set({ takedownInto: { ...takedownInto, past } })}
          />
        </>
      )}
    </div>
  );
}
