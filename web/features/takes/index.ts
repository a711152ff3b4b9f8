export { coachPlace } from './coachPlace.ts';
export type { Playback } from './playback.ts';
export { useTakeLogs } from './useTakeLogs.ts';
export { ComparedStage } from './ComparedStage.tsx';
export { TakePlayer } from './TakePlayer.tsx';
export { useAskTakeWordsMutation, useGetRunningOrderQuery, useGetTakeLogQuery, useGetTakeWordsQuery, useListTakesQuery } from './api.ts';
