import { type Asks, type BookAttire } from '@lean-mentor/core/book';
import { cautionNames, type CautionClass } from '@lean-mentor/core/care';
import { LoadRows } from '../../shared/care/index.ts';
import { SelectRow } from '../../shared/forms/index.ts';

interface Care {
  caution: CautionClass;
  loads: Asks;
  attire: BookAttire;
}
export const attireNames: Readonly<Record<BookAttire, string>> = {
  either: 'with a jacket or without',
  jacket: 'with a jacket only',
  'no-jacket': 'without a jacket only',
};

/** What care needs to know of an entry: its caution class, what it asks of the body, and what is worn. */
export function CareFields({ of: { caution, loads, attire }, onChange }: { of: Care; onChange: (fields: Partial<Care>) => void }) {
  return (
    <>
      <div className="grid grid-cols-2 gap-4">
        <SelectRow label="Caution" value={caution} names={cautionNames} onChange={(next) => onChange({ caution: next })} />
        <SelectRow label="Worn" value={attire} names={attireNames} onChange={(next) => onChange({ attire: next })} />
      </div>
      <LoadRows label="It asks of whoever does it" loads={loads.doer} onChange={(doer) => onChange({ loads: { ...loads, doer } })} />
      <LoadRows label="It asks of the other one" loads={loads.partner} onChange={(partner) => onChange({ loads: { ...loads, partner } })} />
    </>
  );
}
