import { boutPartOf, writeBoutFile, type CsvRow } from '@lean-mentor/contract';
import type { RuleSheet, TimedBout } from '@lean-mentor/core/scoring';
import Papa from 'papaparse';

/** A file that was brought, as the JSON of a bout file: JSON as it is; of CSV the spans or events, with the rest as the bout has it. */
export function parsedBout(text: string, name: string, timed: TimedBout, sheet: RuleSheet): { json: unknown } | { fault: string } {
  if (!/\.csv$/i.test(name)) {
    try {
      return { json: JSON.parse(text) };
    } catch {
      return { fault: `${name} is not JSON.` };
    }
  }
  const { data, errors } = Papa.parse<CsvRow>(text, { header: true, skipEmptyLines: true });
  if (errors[0]) return { fault: `${name}, line ${(errors[0].row ?? 0) + 2}: ${errors[0].message}.` };
  if (data.length === 0) return { fault: `${name} has no lines under its header.` };
  return { json: { ...writeBoutFile(timed, { ruleSheet: sheet }), ...boutPartOf(data) } };
}
