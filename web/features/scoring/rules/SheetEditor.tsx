import type { OwnRuleSheet } from '@lean-mentor/contract';
import { ruleSheetFaults, type RuleSheet } from '@lean-mentor/core/scoring';
import { format } from 'date-fns';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useAccount } from '../../access/index.ts';
import { useRetireRuleSheetMutation, useSaveRuleSheetMutation } from '../api.ts';
import { download } from '../../../shared/download.ts';
import { TextCell } from './cells.tsx';
import { RestrictionList } from './RestrictionList.tsx';
import { SheetNearAndTime, SheetPoints } from './SheetPoints.tsx';
import { SheetPenalties } from './SheetPenalties.tsx';
import { SheetWays } from './SheetWays.tsx';
import type { SheetPart } from './sheetPart.ts';
import type { OpenSheet } from './openSheet.ts';
import { sheetFileText } from './sheetFile.ts';

interface SheetEditorProps {
  open: OpenSheet;
  versions: readonly OwnRuleSheet[];
  onOpen: (open: OpenSheet) => void;
  onOpenVersion: (version: OwnRuleSheet) => void;
}

/** One rule sheet, every value of it; those that ship can only be copied. */
export function SheetEditor({ open, versions, onOpen, onOpenVersion }: SheetEditorProps) {
  const [sheet, setSheet] = useState(open.sheet);
  const isCoach = useAccount()?.role === 'coach';
  const [save, saving] = useSaveRuleSheetMutation();
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
        <SheetName sheet={sheet} set={set} editable={editable} />
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
        <SheetPoints sheet={sheet} set={set} />
        <SheetNearAndTime sheet={sheet} set={set} />
        <SheetPenalties sheet={sheet} set={set} editable={editable} />
        <SheetWays sheet={sheet} set={set} />
        <div className="col-span-3">
          <RestrictionList restrictions={sheet.restrictions} editable={editable} onChange={(restrictions) => set({ restrictions })} />
        </div>
        <TextCell label="Notes" value={sheet.notes} onChange={(notes) => set({ notes })} />
      </fieldset>
      <Versions {...{ open, versions, onOpenVersion, editable }} name={sheet.name} />
    </section>
  );
}

interface VersionsProps extends Pick<SheetEditorProps, 'open' | 'versions' | 'onOpenVersion'> {
  name: string;
  editable: boolean;
}

/** The versions that were kept, each as it was; the sheet can be taken out of use. */
function Versions({ open, versions, onOpenVersion, name, editable }: VersionsProps) {
  const [retire] = useRetireRuleSheetMutation();
  if (versions.length === 0) return null;
  return (
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
          onClick={() => void retire(open.familyId!).then(() => toast(`${name} is no longer offered. What was scored by it keeps it.`))}
        >
          No longer offer it
        </button>
      )}
    </div>
  );
}

function SheetName({ sheet, set, editable }: SheetPart & { editable: boolean }) {
  if (!editable) return <h2 className="grow text-title">{sheet.name}</h2>;
  return (
    <input
      aria-label="Name of the sheet"
      value={sheet.name}
      maxLength={80}
      onChange={({ target }) => set({ name: target.value })}
      className="min-w-0 grow border-b border-seam bg-transparent text-title font-semibold focus-visible:border-pine"
    />
  );
}
