import { lazy } from 'react';

export { useChooseBoutSheetMutation, useGetClientBoutsQuery, useGetPositionWorthQuery, useListRuleSheetsQuery } from './api.ts';
/** The picture brings a library of charts along, which comes only when it is looked at. */
export const TransitionFlow = lazy(() => import('./TransitionFlow.tsx'));
export { BoutNumbers } from './BoutNumbers.tsx';
export { NamedNumbers } from './NamedNumbers.tsx';
export { ClientNames } from './ClientNames.tsx';
export { PatternList } from './PatternList.tsx';
export { useHistoryBouts } from './useHistoryBouts.ts';
export { useHistoryNumbers } from './useHistoryNumbers.ts';
export { usePositionValues } from './usePositionValues.ts';
