export { beginSession, knownCookieOf } from './beginSession.ts';
export {
  changeAccount,
  deleteAccount,
  findGuardiansOfGrown,
  findHands,
  findPeople,
  putAgreement,
  unlinkClient,
  findAccount,
  findAccountByEmail,
  findAccountRow,
  findAccountsOfClient,
  findBelonging,
  findCoachAddresses,
  insertAccount,
  linkClient,
} from './repository.ts';
export type { AccountRow } from './model.ts';
export type { Belonging } from './repository.ts';
export { maySee, requireInScope } from './scope.ts';
export { coachesHere, hashPassword, isPassword, maySeeClient, visibleClients } from './service.ts';
export { beginSecond, confirmSecond, endSecond, requireSecond, secondFactorOf } from './secondFactor.ts';
export { forgetOldTries, type Trying } from './signInLimits.ts';
