export { captionLetters, captionTexts, heardCaptions, spreadCaptions, spreadTexts, uncaptioned } from './captions.ts';
export { captionAt, chapterAt, chapterStretches, type TakeChapter } from './chapters.ts';
export {
  comparisonCells,
  comparisonGrid,
  frameSeen,
  inARow,
  type ComparisonGrid,
  type TakeCompared,
  type TakeComparison,
} from './comparison.ts';
export { coachCorner, coachPictures, coachRate, coachShapes, coachSide, type CoachShape } from './coachCorner.ts';
export { cutClock, joinedCuts, leftOf, type CutClock } from './cuts.ts';
export { longestPause, pauseKept, pausesToCut } from './pauses.ts';
export { deskLog, inOrder, joinedParts, runSlack, type DeskLog, type DeskLook } from './deskLog.ts';
export { levelOf, levelSeconds, noiseOf, silencesOf, speechOf } from './silences.ts';
export { spokenPart } from './spokenPart.ts';
export { restingOn, stageReader, type Stage, type StageReader } from './stage.ts';
export {
  fastestRate,
  slowestRate,
  viewSlide,
  type Caption,
  type OpenNote,
  type Stroke,
  type StrokePoint,
  type Take,
  type TakeDrawing,
  type TakeEvent,
  type TakeStretch,
  type WholeStage,
} from './take.ts';
export { motionsOf, wantedFrames, type Motion } from './wantedFrames.ts';
export { joinedStretches, spokenOver, type FrameStretch } from './spokenOver.ts';
export { strokeTimes, type SeenPoint } from './strokeTimes.ts';
export { withoutCuts } from './withoutCuts.ts';
export {
  isCutOut,
  mendingLines,
  openNotes,
  putBack,
  textsToDraft,
  withCaptions,
  withCut,
  type MendingLine,
  type SpokenText,
} from './mending.ts';
export { alignedCaptions, wordsToAlign, type AskedWord, type FoundWord } from './alignment.ts';
export { heardMore, heardParts, type HeardPart } from './heard.ts';
export { captionSvg } from './captionSvg.ts';
export { drawnOn, stageSvg } from './drawnOn.ts';
export { filmInstant, filmLength, filmRate, filmReads, type FilmLook, type FilmRate, type FilmRead } from './film.ts';
