export { useGetFrameTableQuery, useGetMotionQuery, useRetryFootageMutation } from './api.ts';
export { FootageProgressLine } from './FootageProgressLine.tsx';
export { footageProgressSlice } from './progressSlice.ts';
export { useFootageWatch, useProgress } from './useFootageWatch.ts';
