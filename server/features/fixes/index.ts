export { ladderFacts, type LadderFacts } from './ladderFacts.ts';
export { rankedOf, recordSentOrder } from './service.ts';
export { findThreadRequests } from './threadRequests.ts';
