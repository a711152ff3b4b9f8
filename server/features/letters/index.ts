export { changeLetter, linkUsed } from './repository.ts';
export { sendLetter } from './sendLetter.ts';
export { postLetters, postLetterTo } from './service.ts';
export { stopPage } from './stopping.ts';
