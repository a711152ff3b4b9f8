import { tieBreaks, type RuleSheet, type TieBreak } from '@lean-mentor/core/scoring';
import { sheetInput, type SheetPart } from './sheetPart.ts';

type Penalty = RuleSheet['penalties'][number];
const tieWords: Record<TieBreak, string> = { points: 'points', 'near-points': 'near points', penalties: 'fewer penalties' };

/** The ladder of penalties, and how a level score is decided. */
export function SheetPenalties({ sheet, set, editable }: SheetPart & { editable: boolean }) {
  const { penalties } = sheet;
  const change = (at: number, fields: Partial<Penalty>): void =>
    set({ penalties: penalties.map((one, i) => (i === at ? { ...one, ...fields } : one)) });
  return (
    <div className="flex flex-col gap-1.5">
      <h3 className="font-semibold">Penalties</h3>
      {penalties.map((step, i) => (
        <PenaltyRow key={i} words={`${i + 1}.`} step={step} change={(fields) => change(i, fields)} />
      ))}
      {editable && (
        <div className="flex gap-4 text-small font-semibold text-pine">
          <button
            type="button"
            className="hover:underline"
            onClick={() => set({ penalties: [...penalties, { near: 0, points: 0, loss: false }] })}
          >
            One more
          </button>
          <button type="button" className="hover:underline" onClick={() => set({ penalties: penalties.slice(0, -1) })}>
            One fewer
          </button>
        </div>
      )}
      <LevelScore sheet={sheet} set={set} />
    </div>
  );
}

function PenaltyRow({ words, step, change }: { words: string; step: Penalty; change: (fields: Partial<Penalty>) => void }) {
  const number = (label: string, name: 'near' | 'points', most: number) => (
    <label className="flex items-center gap-1 text-small">
      {label}
      <input
        type="number"
        min={0}
        max={most}
        value={step[name]}
        onChange={({ target }) => change({ [name]: Number(target.value) })}
        className={`${sheetInput} w-12`}
      />
    </label>
  );
  return (
    <div className="flex items-center justify-between gap-2">
      <span>{words}</span>
      {number('near', 'near', 5)}
      {number('points', 'points', 10)}
      <label className="flex items-center gap-1 text-small">
        <input type="checkbox" checked={step.loss} onChange={({ target }) => change({ loss: target.checked })} />
        loses
      </label>
    </div>
  );
}

function LevelScore({ sheet, set }: SheetPart) {
  return (
    <>
      <h3 className="mt-3 font-semibold">A level score</h3>
      {tieBreaks.map((by) => (
        <label key={by} className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={sheet.tie.includes(by)}
            onChange={({ target }) => set({ tie: tieBreaks.filter((one) => (one === by ? target.checked : sheet.tie.includes(one))) })}
          />
          {tieWords[by]}
        </label>
      ))}
      <p className="text-small text-reed">In this order, then the referee.</p>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          checked={sheet.decides}
          onChange={({ target }) => set({ decides: target.checked, ...(!target.checked && { tie: [] }) })}
        />
        somebody wins
      </label>
    </>
  );
}
