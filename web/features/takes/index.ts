export type { Playback } from './playback.ts';
export { TakePlayer, type TakePlayerProps } from './TakePlayer.tsx';
export { useFinishTakeMutation, useGetTakeLogQuery, useListTakesQuery } from './api.ts';
