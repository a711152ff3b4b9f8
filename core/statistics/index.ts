export { binomialAt, binomialUpTo, clopperPearson } from './binomial.ts';
export { fisherExact, type TwoByTwo } from './fisherExact.ts';
export { oddsRatio } from './oddsRatio.ts';
export { garwood, poissonAt, poissonUpTo, type Interval } from './poisson.ts';
export { rateRatio, type Counted, type RateRatio } from './rateRatio.ts';
export { drawsFrom, type Draws } from './draws.ts';
export { rateTrend, shareTrend, type Trend } from './exactTrend.ts';
export { studentT } from './studentT.ts';
