export { postLetters } from './service.ts';
