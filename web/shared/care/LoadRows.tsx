import { Plus, X } from 'lucide-react';
import type { Load } from '@lean-mentor/core/care';
import { IconButton } from '../primitives/index.ts';
import { LoadFields } from './LoadFields.tsx';

/** What is asked of whom, part by part, to be written. */
export function LoadRows({ label, loads, onChange }: { label: string; loads: readonly Load[]; onChange: (loads: Load[]) => void }) {
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 font-semibold">{label}</legend>
      {loads.map((load, i) => (
        <div key={i} className="flex items-start justify-between gap-2">
          <LoadFields load={load} onChange={(next) => onChange(loads.map((one, j) => (j === i ? next : one)))} />
          <IconButton icon={X} words="It does not ask this" onClick={() => onChange(loads.filter((_, j) => j !== i))} />
        </div>
      ))}
      <button
        type="button"
        className="inline-flex items-center gap-1 self-start text-small font-semibold text-pine hover:underline"
        onClick={() => onChange([...loads, { part: 'knee', side: null, burdens: [] }])}
      >
        <Plus size={14} aria-hidden /> One more part
      </button>
    </fieldset>
  );
}
