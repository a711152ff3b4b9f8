export { forBoth, otherAthlete, athletes, type Athlete } from './athlete.ts';
export {
  attemptOutcomes,
  attemptTechniques,
  boutEventKinds,
  type AttemptOutcome,
  type BoutHappening,
  type FrameEvent,
  type TimedEvent,
} from './boutEvent.ts';
export { boutClock, type BoutClock } from './boutClock.ts';
export { leaderOf } from './decideBout.ts';
export { leanRibbon, ribbonOutline, type RibbonKnot } from './leanRibbon.ts';
export {
  leanOfSpan,
  positionCodes,
  positionFamily,
  positionName,
  tilingFault,
  type Holder,
  type PositionCode,
  type PositionValues,
  type Span,
} from './position.ts';
export { ageGroups, isRuleSheetName, ruleSheetNames, ruleSheets, ruleSheetWords, scoredActions, sheetCaution, tieBreaks, type AgeGroup, type RuleSheet, type RuleSheetName, type ScoredAction } from './ruleSheet.ts'; // prettier-ignore
export type { AthleteScore, BoutScore, Decision, Score, ScoreEntry } from './score.ts';
export { scoreBout } from './scoreBout.ts';
export { timedBout, type TimedBout, type TimedSpan } from './timedBout.ts';
export { positionValues, presetWords, valuePresets, type ValuePreset } from './valuePreset.ts';
