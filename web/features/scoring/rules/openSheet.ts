import type { RuleSheet } from '@lean-mentor/core/scoring';

/** What is open: a sheet that ships, or a version of the coach’s own, or one that is not kept yet. */
export interface OpenSheet {
  key: string;
  familyId: string | null;
  version: number | null;
  sheet: RuleSheet;
}
