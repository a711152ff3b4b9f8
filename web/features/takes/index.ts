export type { Playback } from './playback.ts';
export { TakePlayer } from './TakePlayer.tsx';
export { useGetRunningOrderQuery, useGetTakeLogQuery, useListTakesQuery } from './api.ts';
