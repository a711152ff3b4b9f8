/** What a table program would take for a formula and run: a text that begins so. */
const formula = /^[=+\-@\t\r]/;

/** A text that no table program runs: an apostrophe before it says that it is one (OWASP, CSV injection). */
const harmless = (text: string): string => (formula.test(text) || text.startsWith("'") ? `'${text}` : text);

/** A text as it was before it was written; for reading what `csvText` wrote. */
export const plainCell = (cell: string): string => (/^'(?:[=+\-@\t\r']|$)/.test(cell) ? cell.slice(1) : cell);

const quoted = (value: unknown): string => {
  const text = value === null || value === undefined ? '' : typeof value === 'string' ? harmless(value) : String(value);
  return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
};

/** Rows under a header as CSV (RFC 4180, lines end with a line feed). Texts that a table program would run are made harmless. */
export const csvText = (header: readonly string[], rows: readonly (readonly unknown[])[]): string =>
  [header, ...rows].map((row) => row.map(quoted).join(',')).join('\n');
