export { useGetFrameTableQuery, useGetMotionQuery, useRetryFootageMutation } from './api.ts';
export { BoutClock } from './BoutClock.tsx';
export { FootageProgressLine } from './FootageProgressLine.tsx';
export { footageProgressSlice } from './progressSlice.ts';
export { useFootageWatch, useProgress } from './useFootageWatch.ts';
export { useViewing } from './useViewing.ts';
