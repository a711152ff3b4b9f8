export { endWorkThatHolds } from './holding.ts';
