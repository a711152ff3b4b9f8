export { useCloseThreadMutation, useGetClientHistoryQuery, useGetClientProgressQuery, useGetWorkEffectsQuery } from './api.ts';
export { PositionBars } from './PositionBars.tsx';
export { knowingWords, pointWords, practiceWords, threadStateWords, verdictWords } from './threadWords.ts';
