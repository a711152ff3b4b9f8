export { postLetter } from './repository.ts';
