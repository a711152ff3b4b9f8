export { useChooseBoutSheetMutation, useGetClientBoutsQuery, useGetPositionWorthQuery, useListRuleSheetsQuery } from './api.ts';
export { BoutNumbers } from './BoutNumbers.tsx';
export { PatternList } from './PatternList.tsx';
export { useHistoryNumbers } from './useHistoryNumbers.ts';
export { usePositionValues } from './usePositionValues.ts';
