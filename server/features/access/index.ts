export { findAccount, findAccountByEmail, findAccountsOfClient, insertAccount } from './repository.ts';
export { hashPassword, maySeeClient, visibleClients } from './service.ts';
