export {
  useGetFrameTableQuery,
  useGetMotionQuery,
  useGetSoundQuery,
  useSaveAlignmentMutation,
  useEditBoutsMutation,
  type MotionRead,
} from './api.ts';
export { BoutClock } from './BoutClock.tsx';
export { FootageProgressLine } from './FootageProgressLine.tsx';
export { SoFarLine } from './SoFarLine.tsx';
export { NoFootageYet } from './NoFootageYet.tsx';
export { WhileNotReady } from './WhileNotReady.tsx';
export { FramePlayer } from './framePlayer.ts';
export { speeds, type PlayerState } from './playerState.ts';
export { footageProgressSlice } from './progressSlice.ts';
export type { DecodedFrames } from './decodedFrames.ts';
export { useDecodedFrames, warmDecoder } from './useDecodedFrames.ts';
export { ComparedPicture } from './ComparedPicture.tsx';
export { offsetText, useTogether, type Together } from './useTogether.ts';
export { useFramePlayer, useNow, usePlayer, useTakenCopy } from './useFramePlayer.ts';
export { isLookable, useFootageWatch, useLookable, useProgress } from './useFootageWatch.ts';
export { useMotion } from './useMotion.ts';
export { useCopy, type Copy } from './useCopy.ts';
export { useViewing } from './useViewing.ts';
export { DrawingOverlay } from './DrawingOverlay.tsx';
export { noDecoder, openDecoded } from './useDecodedFrames.ts';
