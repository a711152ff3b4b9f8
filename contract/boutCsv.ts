import type { TimedBout } from '@lean-mentor/core/scoring';
import { csvText, plainCell } from './csvText.ts';

const spanColumns = ['position', 'holder', 'fromSeconds', 'toSeconds'] as const;
const eventColumns = ['kind', 'athlete', 'atSeconds', 'technique', 'outcome', 'close', 'gripped', 'position', 'holder'] as const;
/** Names have a column where anything is called by one. */
const withNames = <C extends string>(columns: readonly C[], named: readonly { name?: string }[]): (C | 'name')[] =>
  named.some(({ name }) => name) ? [...columns, 'name'] : [...columns];
/** Files carry microseconds. */
const written = (seconds: number): number => Math.round(seconds * 1e6) / 1e6;

/** The spans of a bout as CSV (RFC 4180), one line each under a header; seconds as in a bout file. */
export const spansCsv = ({ spans }: Pick<TimedBout, 'spans'>): string =>
  tableOf(
    withNames(spanColumns, spans),
    spans.map(({ from, to, ...span }) => ({ ...span, fromSeconds: written(from), toSeconds: written(to) })),
  );

/** The events of a bout as CSV, in the order of time; what a kind does not have is empty. */
export const eventsCsv = ({ events }: Pick<TimedBout, 'events'>): string =>
  tableOf(
    withNames(
      eventColumns,
      events.map((event) => ('name' in event && event.name ? { name: event.name } : {})),
    ),
    [...events].sort((a, b) => a.at - b.at).map(({ at, ...event }) => ({ ...event, atSeconds: written(at) })),
  );

const tableOf = (columns: readonly string[], rows: readonly Record<string, unknown>[]): string =>
  csvText(
    columns,
    rows.map((row) => columns.map((column) => row[column])),
  );

/** A line of CSV by the names of its columns. */
export type CsvRow = Readonly<Record<string, string>>;

const valueOf = (column: string, text: string): unknown => {
  if (column.endsWith('Seconds')) return Number.isFinite(Number(text)) ? Number(text) : text;
  return column === 'close' || column === 'gripped' ? text === 'true' : text;
};

/** Lines of CSV as they stand in a bout file: spans where the header names `fromSeconds`, else events. What is empty is left out. */
export function boutPartOf(rows: readonly CsvRow[]): { spans: object[] } | { events: object[] } {
  const parts = rows.map((row) =>
    Object.fromEntries(
      Object.entries(row).flatMap(([column, text]) => (text.trim() === '' ? [] : [[column, valueOf(column, plainCell(text.trim()))]])),
    ),
  );
  if (rows[0] && 'fromSeconds' in rows[0]) return { spans: parts.map((part) => ({ holder: null, ...part })) };
  return { events: parts };
}
