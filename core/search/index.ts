export { searchAsked, type SearchAsked } from './searchAsked.ts';
