export { BoutRibbon } from './BoutRibbon.tsx';
export type { Watched } from './Playhead.tsx';
export { RoundSheet } from './RoundSheet.tsx';
export type { SheetMotionData } from './SheetMotion.tsx';
export type { SheetInstant } from './SheetScore.tsx';
export type { SheetNote } from './SheetNotes.tsx';
export {
  useChooseBoutSheetMutation,
  useGetClientBoutsQuery,
  useListRuleSheetsQuery,
  useRetireRuleSheetMutation,
  useSaveRuleSheetMutation,
  type ClientBouts,
} from './api.ts';
export { BoutNumbers } from './BoutNumbers.tsx';
export { PatternList } from './PatternList.tsx';
export { useHistoryNumbers, type HistoryNumbers } from './useHistoryNumbers.ts';
export { usePositionValues } from './usePositionValues.ts';
