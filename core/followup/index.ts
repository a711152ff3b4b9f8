export { compareRequests, type Difference, type WholeRequest } from './compareRequests.ts';
export { fixProgress, type FixProgress, type FixSeries, type FixVerdict } from './fixProgress.ts';
export { knowingByPrinciple, nothingAsked, type ForkChosen, type Knowing } from './knowing.ts';
export { eyeCounts, eyeTrend, ownEye, type OwnEye } from './ownEye.ts';
export { levelOfLook, looksOfSeries, retestAnswer, retestTrend, seriesNow, type RetestAnswer, type RetestSeries } from './retests.ts';
export { fewestClients, workEffect, type BeforeAfter, type WorkEffect } from './workEffects.ts';
export { threadState, threadStates, type ThreadState, type ThreadStep } from './threadState.ts';
export { fixThread, fixThreads, type FixThread, type ThreadPoint, type ThreadRequest } from './threads.ts';
