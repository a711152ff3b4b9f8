export { datesAhead, endOf, type SpacedWork } from './spacing.ts';
export { withinDay, type Block, type BlockOrder, type WithinDay } from './withinDay.ts';
