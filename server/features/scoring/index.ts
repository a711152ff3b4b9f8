export { findClientBouts, findPositionWorth, findRuleSheets } from './repository.ts';
