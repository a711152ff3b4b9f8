export { lettersPath } from './lettersPath.ts';
