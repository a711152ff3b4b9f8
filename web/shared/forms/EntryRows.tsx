import type { ReactNode } from 'react';
import { optionsOf, Select } from '../primitives/index.ts';

export const lineClass = 'w-full rounded-sm border border-seam bg-linen px-2 py-1 hover:border-reed';

/** A labelled control of an entry's form. */
export const Row = ({ label, hint, children }: { label: string; hint?: ReactNode; children: ReactNode }) => (
  <label className="flex flex-col gap-1">
    <span className="flex items-baseline gap-2 font-semibold">
      {label}
      {hint && <span className="text-small font-normal text-reed">{hint}</span>}
    </span>
    {children}
  </label>
);

/** One of a few named values. */
export function SelectRow<V extends string>({
  label,
  value,
  names,
  onChange,
}: {
  label: string;
  value: V;
  names: Readonly<Record<V, string>>;
  onChange: (value: V) => void;
}) {
  return (
    <Row label={label}>
      <Select<V>
        value={value}
        options={optionsOf(Object.keys(names) as V[], (one) => names[one])}
        onChange={onChange}
        className={lineClass}
      />
    </Row>
  );
}

export const Text = ({
  label,
  value,
  rows = 3,
  hint,
  onChange,
}: {
  label: string;
  value: string;
  rows?: number;
  hint?: string;
  onChange: (value: string) => void;
}) => (
  <Row label={label} hint={hint}>
    <textarea
      value={value}
      rows={rows}
      maxLength={2000}
      onChange={({ target }) => onChange(target.value)}
      className={`${lineClass} field-sizing-content`}
    />
  </Row>
);

/** One thing a line. */
export const Lines = ({
  label,
  lines,
  hint,
  onChange,
}: {
  label: string;
  lines: readonly string[];
  hint?: string;
  onChange: (lines: string[]) => void;
}) => <Text label={label} value={lines.join('\n')} rows={2} hint={hint ?? 'one a line'} onChange={(text) => onChange(text.split('\n'))} />;

/** A list as it was typed, without what is blank. */
export const filled = (lines: readonly string[]): string[] => lines.map((line) => line.trim()).filter(Boolean);
