import type { TimedBout } from '@lean-mentor/core/scoring';
import { csvText, plainCell } from './csvText.ts';

const spanColumns = ['position', 'holder', 'fromSeconds', 'toSeconds', 'name'] as const;
const eventColumns = ['kind', 'athlete', 'atSeconds', 'technique', 'outcome', 'close', 'gripped', 'position', 'holder', 'name'] as const;
/** Files carry microseconds. */
const written = (seconds: number): number => Math.round(seconds * 1e6) / 1e6;

/** The spans of a bout as CSV (RFC 4180), one line each under a header; seconds as in a bout file. */
export const spansCsv = ({ spans }: Pick<TimedBout, 'spans'>): string =>
  csvText(
    spanColumns,
    spans.map(({ position, holder, from, to, name }) => [position, holder, written(from), written(to), name]),
  );

/** The events of a bout as CSV, in the order of time; what a kind does not have is empty. */
export const eventsCsv = ({ events }: Pick<TimedBout, 'events'>): string =>
  csvText(
    eventColumns,
    [...events]
      .sort((a, b) => a.at - b.at)
      .map((event) => {
        const of: Record<string, unknown> = { ...event, atSeconds: written(event.at) };
        return eventColumns.map((column) => of[column]);
      }),
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
