export { findAccount, findAccountByEmail, findAccountsOfClient, insertAccount } from './repository.ts';
export { hashPassword, maySeeClient, maySeeRequest, visibleClients } from './service.ts';
