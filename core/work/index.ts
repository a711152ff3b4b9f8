export { datesAhead, endOf, type SpacedWork } from './spacing.ts';
