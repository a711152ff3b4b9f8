export { codedGoes, countsOfGoes, resetsByMotion, type Go } from './goes.ts';
export { barredFor, clinicianFirst, loadWords, proposeWork, type WorkClient, type WorkProposal } from './proposeWork.ts';
export { beforeAfter, earlyLate, retestsOf, type EarlyLate, type Retest, type RetestsOfOne } from './retestSeries.ts';
export {
  countedBy,
  countedWords,
  countsOf,
  type Counted,
  type CountedBy,
  type DoneRound,
  type Pain,
  type Press,
  type WorkSession,
} from './session.ts';
export { datesAhead, endOf, type SpacedWork } from './spacing.ts';
export { startWays } from './startWays.ts';
export { stuckWords, type LookedAt } from './stuck.ts';
export {
  isSameTest,
  partnerLevels,
  partnerSizes,
  plannedRounds,
  roundOrders,
  type DrillTerms,
  type PartnerLevel,
  type PartnerSize,
  type PlannedRound,
  type RoundOrder,
  type RoundStart,
  type RoundTerms,
  type RoundTest,
  type Way,
  type WorkPartner,
  type WorkTerms,
} from './terms.ts';
export {
  bellsBetween,
  goOn,
  holdTimer,
  ranMs,
  roundRanMs,
  timerAt,
  usualReadySeconds,
  wholeMs,
  type Bell,
  type RunningTimer,
  type TimerAt,
  type TimerPlan,
} from './timer.ts';
export { withinDay, type Block, type BlockOrder, type WithinDay } from './withinDay.ts';
export {
  datesTold,
  workDates,
  workEnd,
  workState,
  workStates,
  type ClientDays,
  type DatedWork,
  type Flag,
  type WorkState,
} from './workDates.ts';
