export { boutAtFrame } from './boutAtFrame.ts';
export {
  clampFrame,
  continuesTable,
  frameAtSeconds,
  frameTableFault,
  secondsOfEdge,
  secondsOfFrame,
  seekSecondsOfFrame,
  timeSlack,
  type FrameTable,
} from './frameTable.ts';
export { drawingLife } from './drawingLife.ts';
export { clockText, durationText } from './clockText.ts';
export * from './motion/index.ts';
export { boutsFault, fitSpans, moveBout, roomForBout, splitBout } from './bouts.ts';
export { alignMotion, alignSound, type AlignmentFound } from './alignment.ts';
export { SoundEnvelope, soundEnvelopeRate, type FootageSound } from './soundEnvelope.ts';
export { colourWords, colourWordsAt } from './colourWords.ts';
export { inDayOrder, movedInDay, renumbered } from './day.ts';
export { framesToDrop, nextOfOrder, nextToDecode, orderToDrop, picturesWithin, wantedFrames } from './decodeOrder.ts';
export { soundPeaks } from './soundPeaks.ts';
export { isEditionDue, type MakingSoFar } from './editions.ts';
export { reviewSize } from './reviewSize.ts';
export type { BoutSeconds, ClockSeconds, FrameIndex, Seconds } from './units.ts';
