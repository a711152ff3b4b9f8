export { findClient, findClients, insertClient } from './repository.ts';
export { indexNotes, indexNotesOfPrinciple, indexNotesOfRequest, indexWords } from './search/repository.ts';
