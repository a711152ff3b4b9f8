import {
  addNamed,
  addStats,
  boutStats,
  findPatterns,
  happeningsOf,
  namedStats,
  scoreBout,
  type BoutStats,
  type NamedStats,
  type Pattern,
  type RuleSheet,
  type TimedBout,
} from '@lean-mentor/core/scoring';

export interface HistoryAsked {
  id: number;
  bouts: { timed: TimedBout; sheet: RuleSheet }[];
}
export interface HistoryCounted {
  id: number;
  stats: BoutStats;
  named: NamedStats;
  patterns: Pattern[];
}

/** Counts a whole history: away from the page, which goes on answering keys. */
export const countHistory = (bouts: HistoryAsked['bouts']): Omit<HistoryCounted, 'id'> => ({
  stats: addStats(bouts.map(({ timed, sheet }) => boutStats(timed, scoreBout(timed, sheet)))),
  named: addNamed(bouts.map(({ timed, sheet }) => namedStats(timed, scoreBout(timed, sheet)))),
  patterns: findPatterns(bouts.map(({ timed }) => happeningsOf(timed))),
});

if (typeof document === 'undefined' && typeof addEventListener === 'function')
  addEventListener('message', ({ data }: MessageEvent<HistoryAsked>) => {
    postMessage({ id: data.id, ...countHistory(data.bouts) } satisfies HistoryCounted);
  });
