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
export { boutClock, clockShown, type BoutClock } from './boutClock.ts';
export { clockSlack } from './clockSlack.ts';
export { leaderOf } from './decideBout.ts';
export { leanRibbon, ribbonOutline, type RibbonKnot } from './leanRibbon.ts';
export {
  isNeutral,
  leanOfSpan,
  positionCodes,
  positionFamily,
  positionName,
  tilingFault,
  type Holder,
  type PositionCode,
  type PositionValues,
  bottomPostures,
  postureText,
  topPostures,
  type Posture,
  type Span,
} from '../positions/index.ts';
export {
  ageGroups,
  comingUps,
  isRuleSheetName,
  pointsJacket,
  ruleSheetAttires,
  ruleSheetNames,
  ruleSheets,
  ruleSheetWords,
  scoredActions,
  sheetCaution,
  tieBreaks,
  type AgeGroup,
  type ComingUp,
  type RuleSheet,
  type RuleSheetName,
  type ScoredAction,
  type TieBreak,
} from './ruleSheet.ts';
export { decisionWords } from './score.ts';
export type { AthleteScore, BoutScore, Decision, Doubt, Fall, Score, ScoreEntry } from './score.ts';
export { scoreBout } from './scoreBout.ts';
export {
  asMeant,
  boutTimes,
  boutUsage,
  scoredBout,
  type BoutTimes,
  type BoutUsage,
  type FramedBout,
  type FramedOverride,
  type ScoredBout,
} from './boutTimes.ts';
export { eventWords } from './eventWords.ts';
export { transitionsOf, type Transition } from './transitions.ts';
export { tapsOf, tapsText } from './falls.ts';
export { placeWords, sideNames, type Names } from './placeWords.ts';
export { afterFinishes, threatEnds, type AfterFinish, type TimedBout, type TimedSpan, type TimedThreat } from './timedBout.ts';
export { positionValues, presetWords, valuePresets, type ValuePreset } from './valuePreset.ts';
export { actionWords } from './actionWords.ts';
export { addStats, boutStats, type AthleteStats, type BoutStats } from './boutStats.ts';
export { coderAgreement, type CoderAgreement } from './coderAgreement.ts';
export { coderCheck, type CodingDoubt } from './coderCheck.ts';
export { fallChain, happeningsOf, type Happening } from './happenings.ts';
export { leanAt, leanOverTime } from './leanOverTime.ts';
export { ageGroupWords, legalityOf, type Athletic, type Legality } from './legality.ts';
export { overrideWords, type CorrectedScore, type ScoreOverride } from './overrides.ts';
export { findPatterns, type Pattern } from './patterns.ts';
export { ruleSheetFaults } from './ruleSheetFaults.ts';
export { scoreAt, scoreText, sideText } from './scoreAt.ts';
export { scoreSteps, type ScoreStep } from './scoreSteps.ts';
export { stakesActionWords, stakesAt, strongSeconds, type Stakes, type StakesAction } from './stakes.ts';
export {
  bringEdge,
  cutsOfSpans,
  describeAt,
  mergeCut,
  moveCut,
  putPosition,
  spansOfCuts,
  splitAt,
  type Cut,
  type CutEdit,
} from './cuts.ts';
export { attacksOf, type Attack } from './attacks.ts';
export { addNamed, namedStats, type NamedAthlete, type NamedCount, type NamedStats } from './namedStats.ts';
export { calledBy, lateTapSeconds, lateTapWords, threatFacts, type FrameThreat, type ThreatFacts } from './threats.ts';
export { byHowItEnded, endedBetter, entriesInto, type Entry } from './entries.ts';
export { calmAndQuick, motionRatioText, type MovedAt } from './calmAndQuick.ts';
