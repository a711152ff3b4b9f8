export { ageOfConsent, isMinor } from './age.ts';
export { findClient, findClients, insertClient } from './repository.ts';
