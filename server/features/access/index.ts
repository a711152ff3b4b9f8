export { findAccount, findAccountByEmail, findAccountsOfClient, insertAccount } from './repository.ts';
export { findBelonging, maySee, requireInScope } from './scope.ts';
export { coachesHere, hashPassword, maySeeClient, visibleClients } from './service.ts';
