export { findAccount, findAccountByEmail, findAccountsOfClient, findBelonging, insertAccount } from './repository.ts';
export { maySee, requireInScope } from './scope.ts';
export { coachesHere, hashPassword, maySeeClient, visibleClients } from './service.ts';
export { forgetOldTries } from './signInLimits.ts';
