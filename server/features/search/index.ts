export { indexClient, indexNotes, indexNotesOfFootage, indexNotesOfPrinciple, indexNotesOfRequest, indexWords } from './repository.ts';
