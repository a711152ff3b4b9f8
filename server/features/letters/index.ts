export { postLetter } from './repository.ts';
export { postLetters } from './service.ts';
