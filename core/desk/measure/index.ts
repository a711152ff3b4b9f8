export { bodyJoints, type BodyDots, type BodyJoint } from './balance.ts';
export { measured, balanceOf, planeOf, type MeasuredOn } from './measured.ts';
export { measureKinds, type MatCorner, type Measure, type MeasureInput, type MeasureKind, type MeasureResult } from './measure.ts';
export { measureAtFrame, measureDrawings, shortResult } from './measureDrawings.ts';
export { matGuess } from './matGuess.ts';
