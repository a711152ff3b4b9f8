export { useCloseThreadMutation, useGetClientHistoryQuery, useGetClientProgressQuery, type Progress } from './api.ts';
export { pointWords, practiceWords, threadStateWords, verdictWords } from './threadWords.ts';
