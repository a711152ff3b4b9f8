export { boutAtFrame } from './boutAtFrame.ts';
export { clampFrame, frameAtSeconds, frameTableFault, secondsOfFrame, seekSecondsOfFrame, type FrameTable } from './frameTable.ts';
export { drawingLife } from './drawingLife.ts';
export { clockText, durationText } from './clockText.ts';
export * from './motion/index.ts';
