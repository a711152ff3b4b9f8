interface NumberCellProps {
  label: string;
  value: number;
  most: number;
  least?: number;
  step?: number;
  onChange: (value: number) => void;
}

/** A number beside its name. */
export function NumberCell({ label, value, most, least = 0, step = 1, onChange }: NumberCellProps) {
  return (
    <label className="flex items-center justify-between gap-2">
      {label}
      <input
        type="number"
        min={least}
        max={most}
        step={step}
        value={value}
        onChange={({ target }) => onChange(Math.min(most, Math.max(least, Number(target.value) || 0)))}
        className="time w-16 rounded-sm border border-seam bg-linen px-2 py-1 text-right disabled:opacity-70"
      />
    </label>
  );
}

export function TextCell({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <label className="col-span-3 flex flex-col gap-1">
      <span className="font-semibold">{label}</span>
      <textarea
        value={value}
        maxLength={2000}
        rows={2}
        onChange={({ target }) => onChange(target.value)}
        className="rounded-sm border border-seam bg-linen px-2 py-1 disabled:opacity-70"
      />
    </label>
  );
}
