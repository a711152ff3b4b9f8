export { activityOf, type Activity } from './activity.ts';
export { BellFinder, soundRate } from './bells.ts';
export { cutsOf } from './cuts.ts';
export {
  frameFeatures,
  greyBytes,
  greyHeight,
  greyWidth,
  nothingMoves,
  pictureEdges,
  type FrameFeatures,
  type PictureEdge,
} from './frameFeatures.ts';
export { lostAction, type LostAction } from './lostAction.ts';
export { proposeBouts } from './proposeBouts.ts';
export { adviceKinds, qualityAdvice, type QualityAdvice, type QualityFindings, type SharpnessSample } from './qualityAdvice.ts';
export { sharpnessOf } from './sharpness.ts';
export type { Stretch } from './stretch.ts';
