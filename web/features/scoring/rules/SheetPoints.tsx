import { actionWords, scoredActions, type RuleSheet } from '@lean-mentor/core/scoring';
import { NumberCell } from './cells.tsx';
import { sheetInput, type SheetPart } from './sheetPart.ts';
import { optionsOf, Select } from '../../../shared/primitives/index.ts';

const countWords = { always: 'Always', 'second-half': 'In the second half', never: 'Never' } as const;

/** What each action pays, and what pulling guard costs. */
export function SheetPoints({ sheet, set }: SheetPart) {
  return (
    <div className="flex flex-col gap-1.5">
      <h3 className="font-semibold">Points</h3>
      {scoredActions.map((action) => (
        <NumberCell
          key={action}
          label={actionWords[action]}
          value={sheet.points[action]}
          most={20}
          onChange={(value) => set({ points: { ...sheet.points, [action]: value } })}
        />
      ))}
      <NumberCell
        label="pulling guard costs"
        value={sheet.guardPullCosts}
        most={20}
        onChange={(guardPullCosts) => set({ guardPullCosts })}
      />
    </div>
  );
}

/** What is worth less than points, and how long what pays must be held and the bout lasts. */
export function SheetNearAndTime({ sheet, set }: SheetPart) {
  return (
    <div className="flex flex-col gap-1.5">
      <h3 className="font-semibold">Near points</h3>
      <NumberCell
        label="reached, not held"
        value={sheet.near.notHeld}
        most={5}
        onChange={(notHeld) => set({ near: { ...sheet.near, notHeld } })}
      />
      <NumberCell
        label="an attempt that was close"
        value={sheet.near.close}
        most={5}
        onChange={(close) => set({ near: { ...sheet.near, close } })}
      />
      <NumberCell
        label="a turtle that stops a pass"
        value={sheet.near.turtle}
        most={5}
        onChange={(turtle) => set({ near: { ...sheet.near, turtle } })}
      />
      <h3 className="mt-3 font-semibold">Time</h3>
      <NumberCell
        label="hold, in seconds"
        value={sheet.holdSeconds}
        most={30}
        step={0.5}
        onChange={(holdSeconds) => set({ holdSeconds })}
      />
      <label className="flex items-center justify-between gap-2">
        points count
        <Select
          className={sheetInput}
          value={sheet.pointsCount}
          options={optionsOf(Object.keys(countWords) as RuleSheet['pointsCount'][], (one) => countWords[one])}
          onChange={(pointsCount) => set({ pointsCount })}
        />
      </label>
      <label className="flex items-center justify-between gap-2">
        bout, in seconds
        <input
          type="number"
          min={10}
          max={3600}
          value={sheet.boutSeconds ?? ''}
          placeholder="not set"
          onChange={({ target }) => set({ boutSeconds: target.value === '' ? null : Number(target.value) })}
          className={`${sheetInput} w-24`}
        />
      </label>
    </div>
  );
}
