export { linkUsed } from './repository.ts';
export { postLetters, postLetterTo } from './service.ts';
