export type { Playback } from './playback.ts';
export { TakePlayer } from './TakePlayer.tsx';
export { useGetTakeLogQuery, useListTakesQuery } from './api.ts';
