export { findClient, findClients, insertClient } from './repository.ts';
