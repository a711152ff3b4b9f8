export { changeLetter, linkUsed } from './repository.ts';
export { sendLetter } from './sendLetter.ts';
export { postLetters, postLetterTo } from './service.ts';
