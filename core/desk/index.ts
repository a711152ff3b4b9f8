export { agreementWithClient, type Agreement } from './agreement.ts';
export { blankNote } from './blankNote.ts';
export { causeFault, chainOf, ledToBy, linkedThings, linksFault, timeOrder, type Linked } from './causes.ts';
export { comparedFrame, comparedSpan, steppedOffset, type Compared } from './comparing.ts';
export { applyDeskChange, inverseDeskChange, patchDesk, removeFromDesk, type DeskChange } from './deskChange.ts';
export * from './deskDocument.ts';
export type { Caption, ChapterStart, DeskTake, TakeStretch } from './deskTake.ts';
export * from './drawing.ts';
export { drawingShape, handlesOf, strokeEdge, strokeEdgeFactor, strokeInk, type DrawingShape } from './drawingShape.ts';
export { drawingPaints, drawingsSvg, type Paint, type WordsPath } from './drawingsSvg.ts';
export { fanMargin } from './fanMargin.ts';
export { deskProgress, lookedShare, looksBack, type Progress } from './looks.ts';
export * from './measure/index.ts';
export { meetsOthers, mergeDeskChange, sameJson, type Meeting } from './mergeDeskChange.ts';
export { principleCounts } from './principleCounts.ts';
export { pannedBy, pinched, wholePicture, zoomedAt, type StageView } from './stageView.ts';
export { thingWords } from './thingWords.ts';
export { thinStroke } from './thinStroke.ts';
export * from './coding.ts';
export {
  forkFacts,
  forkFault,
  forkFrom,
  forksTaken,
  forksTakenText,
  forkText,
  isForkTaken,
  mostForkOptions,
  type Fork,
  type ForkSeen,
} from './fork.ts';
