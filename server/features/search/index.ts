export { indexNotes, indexNotesOfPrinciple, indexNotesOfRequest, indexWords } from './repository.ts';
