export { activityOf, type Activity } from './activity.ts';
export { BellFinder, soundRate } from './bells.ts';
export { frameFeatures, greyBytes, greyHeight, greyWidth, type FrameFeatures } from './frameFeatures.ts';
export { lostAction, type LostAction } from './lostAction.ts';
export { proposeBouts } from './proposeBouts.ts';
export { qualityAdvice, type QualityAdvice } from './qualityAdvice.ts';
export type { Stretch } from './stretch.ts';
