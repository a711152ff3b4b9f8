export { ageOfConsent, isMinor } from './age.ts';
export { limitsLeftBy } from './limits.ts';
export { findClient, findClients, insertClient } from './repository.ts';
