export {
  indexClient,
  indexNotes,
  indexNotesOfFootage,
  indexNotesOfPrinciple,
  indexNotesOfRequest,
  indexTake,
  indexWords,
} from './repository.ts';
