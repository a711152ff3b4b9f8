export { boutMinutesOf, findPastReviews, findWaiting, forecastFor, reviewKindOf, turnaroundOf } from './forecast.ts';
export { pauseOf, practiceNow } from './hours.ts';
export { promiseMovedLetter } from './letters.ts';
export { billPlans, remindOfInvoices } from './money/billing.ts';
export { lateClients } from './money/late.ts';
export { addEntry, changeBilling, findInvoices, insertInvoice, insertPayment, nextNumber } from './money/repository.ts';
export { askAfterPayments } from './money/payments.ts';
export { currentPlans, lockCurrentPlan, planOfMembership } from './memberships.ts';
export { standingInOrder } from './plans.ts';
export {
  changePause,
  changePractice,
  deletePause,
  findMemberships,
  findPause,
  findPlans,
  insertMembership,
  insertPause,
  insertPlan,
} from './repository.ts';
export { findSpentMinutes } from './waitingRepository.ts';
