export { formsBegin, isFormOf, searchAsked, type SearchAsked } from './searchAsked.ts';
