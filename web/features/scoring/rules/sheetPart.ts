import type { RuleSheet } from '@lean-mentor/core/scoring';

/** A part of a rule sheet being edited: what it is now, and how it is changed. */
export interface SheetPart {
  sheet: RuleSheet;
  set: (fields: Partial<RuleSheet>) => void;
}

export const sheetInput = 'rounded-sm border border-seam bg-linen px-2 py-1 disabled:opacity-70';
