import type { OwnRuleSheet } from '@lean-mentor/contract';
import { actionWords, ruleSheetFaults, scoredActions, tieBreaks, type RuleSheet, type TieBreak } from '@lean-mentor/core/scoring';
import { format } from 'date-fns';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useAccount } from '../../access/index.ts';
import { useRetireRuleSheetMutation, useSaveRuleSheetMutation } from '../api.ts';
import { download } from '../../../shared/download.ts';
import { NumberCell, TextCell } from './cells.tsx';
import { RestrictionList } from './RestrictionList.tsx';
import type { OpenSheet } from './openSheet.ts';
import { sheetFileText } from './sheetFile.ts';

interface SheetEditorProps {
  open: OpenSheet;
  versions: readonly OwnRuleSheet[];
  onOpen: (open: OpenSheet) => void;
  onOpenVersion: (version: OwnRuleSheet) => void;
}

const countWords = { always: 'Always', 'second-half': 'In the second half', never: 'Never' } as const;
const tieWords: Record<TieBreak, string> = { points: 'points', 'near-points': 'near points', penalties: 'fewer penalties' };
const select = 'rounded-sm border border-seam bg-linen px-2 py-1 disabled:opacity-70';

/** One rule sheet, every value of it; those that ship can only be copied. */
export function SheetEditor({ open, versions, onOpen, onOpenVersion }: SheetEditorProps) {
  const [sheet, setSheet] = useState(open.sheet);
  const isCoach = useAccount()?.role === 'coach';
  const [save, saving] = useSaveRuleSheetMutation();
  const [retire] = useRetireRuleSheetMutation();
  const { familyId } = open;
  const editable = isCoach && familyId !== null;
  const faults = ruleSheetFaults(sheet);
  const changed = open.version === null || JSON.stringify(sheet) !== JSON.stringify(open.sheet);
  const set = (fields: Partial<RuleSheet>): void => setSheet({ ...sheet, ...fields });
  const copy = (): void =>
    onOpen({ key: crypto.randomUUID(), familyId: crypto.randomUUID(), version: null, sheet: { ...sheet, name: `${sheet.name}, own` } });
  const keep = async (): Promise<void> => {
    const answer = await save({ id: crypto.randomUUID(), familyId: familyId!, sheet: sheet as never });
    if (answer.error) return void toast.error(faultWords(answer.error), { duration: 12_000 });
    toast(`${sheet.name} is kept as version ${answer.data.version}.`);
    onOpenVersion(answer.data);
  };
  return (
    <section aria-label="Rule sheet" className="flex flex-col gap-5">
      <div className="flex items-baseline gap-4">
        {editable ? (
          <input
            aria-label="Name of the sheet"
            value={sheet.name}
            maxLength={80}
            onChange={({ target }) => set({ name: target.value })}
            className="min-w-0 grow border-b border-seam bg-transparent text-title font-semibold focus-visible:border-pine"
          />
        ) : (
          <h2 className="grow text-title">{sheet.name}</h2>
        )}
        <Button
          look="quiet"
          onClick={() => download(new Blob([sheetFileText(sheet)], { type: 'application/json' }), `${sheet.name}.rule-sheet.json`)}
        >
          Save as a file
        </Button>
        {isCoach && (
          <Button look="plain" onClick={copy}>
            Copy it
          </Button>
        )}
        {editable && (
          <Button onClick={() => void keep()} disabled={faults.length > 0 || !changed} busy={saving.isLoading}>
            Keep as version {(versions[0]?.version ?? 0) + 1}
          </Button>
        )}
      </div>
      {!editable && isCoach && <p className="text-reed">This one ships with Lean Mentor. Copy it to change it.</p>}
      {faults.length > 0 && (
        <ul role="alert" className="border-l-4 border-ink pl-3">
          {faults.map((fault) => (
            <li key={fault}>{fault}</li>
          ))}
        </ul>
      )}
      <fieldset disabled={!editable} className="grid grid-cols-3 gap-x-8 gap-y-6">
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
            <select
              className={select}
              value={sheet.pointsCount}
              onChange={({ target }) => set({ pointsCount: target.value as RuleSheet['pointsCount'] })}
            >
              {Object.entries(countWords).map(([value, words]) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
            </select>
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
              className={`${select} w-24`}
            />
          </label>
        </div>
        <div className="flex flex-col gap-1.5">
          <h3 className="font-semibold">Penalties</h3>
          {sheet.penalties.map((step, i) => (
            <div key={i} className="flex items-center justify-between gap-2">
              <span>{i + 1}.</span>
              <label className="flex items-center gap-1 text-small">
                near
                <input
                  type="number"
                  min={0}
                  max={5}
                  value={step.near}
                  onChange={({ target }) =>
                    set({ penalties: sheet.penalties.map((one, j) => (j === i ? { ...one, near: Number(target.value) } : one)) })
                  }
                  className={`${select} w-12`}
                />
              </label>
              <label className="flex items-center gap-1 text-small">
                points
                <input
                  type="number"
                  min={0}
                  max={10}
                  value={step.points}
                  onChange={({ target }) =>
                    set({ penalties: sheet.penalties.map((one, j) => (j === i ? { ...one, points: Number(target.value) } : one)) })
                  }
                  className={`${select} w-12`}
                />
              </label>
              <label className="flex items-center gap-1 text-small">
                <input
                  type="checkbox"
                  checked={step.loss}
                  onChange={({ target }) =>
                    set({ penalties: sheet.penalties.map((one, j) => (j === i ? { ...one, loss: target.checked } : one)) })
                  }
                />
                loses
              </label>
            </div>
          ))}
          {editable && (
            <div className="flex gap-4 text-small font-semibold text-pine">
              <button
                type="button"
                className="hover:underline"
                onClick={() => set({ penalties: [...sheet.penalties, { near: 0, points: 0, loss: false }] })}
              >
                One more
              </button>
              <button type="button" className="hover:underline" onClick={() => set({ penalties: sheet.penalties.slice(0, -1) })}>
                One fewer
              </button>
            </div>
          )}
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
        </div>
        <div className="col-span-3">
          <RestrictionList restrictions={sheet.restrictions} editable={editable} onChange={(restrictions) => set({ restrictions })} />
        </div>
        <TextCell label="Notes" value={sheet.notes} onChange={(notes) => set({ notes })} />
      </fieldset>
      {versions.length > 0 && (
        <div className="flex flex-wrap items-baseline gap-3 text-small">
          <span className="text-reed">Versions:</span>
          {versions.map((version) => (
            <button
              key={version.id}
              type="button"
              className="linked"
              aria-current={version.id === open.key}
              onClick={() => onOpenVersion(version)}
            >
              {version.version}, {format(version.madeAt, 'd MMM yyyy')}
            </button>
          ))}
          {editable && (
            <button
              type="button"
              className="ml-auto hover:underline"
              onClick={() => void retire(familyId).then(() => toast(`${sheet.name} is no longer offered. What was scored by it keeps it.`))}
            >
              No longer offer it
            </button>
          )}
        </div>
      )}
    </section>
  );
}
