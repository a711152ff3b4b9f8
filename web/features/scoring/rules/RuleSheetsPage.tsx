import { sheetOf, type OwnRuleSheet } from '@lean-mentor/contract';
import { ruleSheetNames, ruleSheets, sheetCaution } from '@lean-mentor/core/scoring';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { FaultNote, FileButton, RowsSkeleton } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useAccount } from '../../access/index.ts';
import { useListRuleSheetsQuery } from '../api.ts';
import { LegalityLookup } from './LegalityLookup.tsx';
import type { OpenSheet } from './openSheet.ts';
import { readSheetFile } from './sheetFile.ts';
import { SheetEditor } from './SheetEditor.tsx';
import { WorthEditor } from './WorthEditor.tsx';

const shipped = ruleSheetNames.map((name): OpenSheet => ({ key: name, familyId: null, version: null, sheet: ruleSheets[name] }));
const openOwn = ({ id, familyId, version, sheet }: OwnRuleSheet): OpenSheet => ({ key: id, familyId, version, sheet: sheetOf(sheet) });

/** Rule sheets that ship and those of the coach’s own: copy, edit, check, keep as a version, take in and out. */
export function RuleSheetsPage() {
  const { data, error, refetch } = useListRuleSheetsQuery();
  const account = useAccount();
  const own = useMemo(() => data?.sheets ?? [], [data]);
  const [open, setOpen] = useState<OpenSheet>(shipped[0]!);
  const families = own.filter(
    ({ familyId, version, retired }) => !retired && own.every((other) => other.familyId !== familyId || other.version <= version),
  );
  const bring = async (file: File): Promise<void> => {
    const read = readSheetFile(await file.text());
    if ('fault' in read) toast.error(`${file.name}: ${read.fault}`, { duration: 12_000 });
    else setOpen({ key: crypto.randomUUID(), familyId: crypto.randomUUID(), version: null, sheet: read.sheet });
  };
  const entry = (one: OpenSheet, hint: string) => (
    <li key={one.key}>
      <button
        type="button"
        aria-current={open.key === one.key}
        onClick={() => setOpen(one)}
        className="flex w-full items-baseline justify-between gap-2 border-l-2 border-transparent px-3 py-1.5 text-left hover:bg-linen aria-[current=true]:border-pine aria-[current=true]:bg-linen aria-[current=true]:font-semibold"
      >
        {one.sheet.name}
        <span className="text-small font-normal text-reed">{hint}</span>
      </button>
    </li>
  );
  return (
    <main className="grid grid-cols-[16rem_1fr] gap-8 py-8">
      <div className="flex flex-col gap-6">
        <div>
          <h1 className="text-title">Rule sheets</h1>
          <p className="mt-1 text-small text-reed">{sheetCaution}</p>
        </div>
        {error && <FaultNote again={() => void refetch()}>{faultWords(error)}</FaultNote>}
        <nav aria-label="Rule sheets">
          <ul>{shipped.map((one) => entry(one, 'ships'))}</ul>
          <h2 className="mt-4 mb-1 px-3 text-small font-semibold text-reed">Your own</h2>
          {!data && !error && <RowsSkeleton />}
          <ul>
            {families.map((one) => entry(openOwn(one), `version ${one.version}`))}
            {data && families.length === 0 && <li className="px-3 text-small text-reed">None yet. Copy one that ships and change it.</li>}
          </ul>
        </nav>
        {account?.role === 'coach' && (
          <FileButton
            words="Bring a sheet from a file"
            accept=".json,application/json"
            onFile={(file) => void bring(file)}
            className="self-start px-3"
          />
        )}
      </div>
      <div className="flex min-w-0 flex-col gap-10">
        <SheetEditor
          key={open.key}
          open={open}
          versions={own.filter(({ familyId }) => familyId === open.familyId)}
          onOpen={setOpen}
          onOpenVersion={(version) => setOpen(openOwn(version))}
        />
        <LegalityLookup sheet={open.sheet} />
        <WorthEditor />
      </div>
    </main>
  );
}
