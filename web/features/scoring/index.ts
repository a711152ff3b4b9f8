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
