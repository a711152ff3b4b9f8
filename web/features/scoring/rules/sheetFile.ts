import { inlineRuleSheet, sheetOf } from '@lean-mentor/contract';
import { ruleSheetFaults, type RuleSheet } from '@lean-mentor/core/scoring';

/** A sheet as a file: just the sheet, as a bout file carries it. */
export const sheetFileText = (sheet: RuleSheet): string => `${JSON.stringify(sheet, null, 2)}\n`;

/** Reads a sheet from a file; what is wrong with it is told in one sentence after the other. */
export function readSheetFile(text: string): { sheet: RuleSheet } | { fault: string } {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return { fault: 'It is not JSON.' };
  }
  const parsed = inlineRuleSheet.safeParse(json);
  if (!parsed.success) return { fault: parsed.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}.`).join(' ') };
  const sheet = sheetOf(parsed.data);
  const faults = ruleSheetFaults(sheet);
  return faults.length > 0 ? { fault: faults.join(' ') } : { sheet };
}
