import { looksOfSeries, retestAnswer, seriesNow, type RetestAnswer, type RetestSeries } from '../followup/index.ts';
import { fisherExact } from '../statistics/index.ts';
import { addCounts, countsOf, tells, type Counted, type DoneRound, type WorkSession } from './session.ts';
import type { PartnerLevel, RoundTest } from './terms.ts';
import { withinDay, type WithinDay } from './withinDay.ts';

/** A retest: all of a day that was done in one place with one level of partner, without the advice just heard. */
export interface Retest {
  sessionId: string;
  doneOn: string;
  counted: Counted;
}

/** Retests of one start, place and level of partner. Others are shown beside it and never pooled with it. */
export interface RetestsOfOne {
  place: DoneRound['place'];
  level: PartnerLevel;
  /** All of them, oldest first. */
  tests: Retest[];
  /** Those that are looked at now (`seriesNow`), and what they say; null below two tests. */
  answer: RetestAnswer | null;
}

const seriesOf = (counts: RoundTest['counts'], tests: readonly Retest[]): RetestSeries =>
  counts === 'chance'
    ? { kind: 'chance', series: tests.flatMap(({ counted }) => ('chances' in counted ? counted : [])) }
    : {
        kind: 'rate',
        series: tests.flatMap(({ counted }) =>
          'minutes' in counted ? { mistakes: counted.mistakes, exposureMinutes: counted.minutes } : [],
        ),
      };

/** Every group of comparable retests over sessions, that with most tests first. Sessions are given in any order. */
export function retestsOf(test: RoundTest, sessions: readonly Pick<WorkSession, 'id' | 'doneOn' | 'rounds'>[]): RetestsOfOne[] {
  const groups = new Map<string, RetestsOfOne>();
  for (const { id, doneOn, rounds } of [...sessions].sort((a, b) => (a.doneOn < b.doneOn ? -1 : a.doneOn > b.doneOn ? 1 : 0)))
    for (const { place, partner } of rounds) {
      const key = `${place} ${partner.level}`;
      const group = groups.get(key) ?? { place, level: partner.level, tests: [], answer: null };
      if (group.tests.at(-1)?.sessionId === id) continue;
      const own = rounds.filter((round) => round.place === place && round.partner.level === partner.level && round.when !== 'after');
      const counted = addCounts(own.map((round) => countsOf(round, test)));
      if (!counted || !tells(counted)) continue;
      group.tests.push({ sessionId: id, doneOn, counted });
      groups.set(key, group);
    }
  return [...groups.values()]
    .map((group) => ({
      ...group,
      answer: group.tests.length < 2 ? null : retestAnswer(seriesOf(test.counts, seriesNow(group.tests)), looksOfSeries),
    }))
    .sort((a, b) => b.tests.length - a.tests.length || (a.place === b.place ? 0 : a.place === 'own' ? -1 : 1));
}

/** One day's rounds in one place and with one level of partner, before and after the advice; null where a side is missing. */
export function beforeAfter(test: RoundTest, rounds: readonly DoneRound[], place: DoneRound['place'] = 'own'): WithinDay | null {
  const level = rounds.find((round) => round.place === place)?.partner.level;
  const blocks = rounds
    .filter((round) => round.place === place && round.partner.level === level)
    .flatMap((round) => {
      const counted = countsOf(round, test);
      return round.when && tells(counted) ? [{ when: round.when, ...counted }] : [];
    });
  return withinDay(blocks);
}

/** What became of the goes in the first and in the second half of each round. */
export interface EarlyLate {
  early: { successes: number; chances: number };
  late: { successes: number; chances: number };
  /** Two-sided, by Fisher's exact test: how often chance alone makes the halves differ so. */
  p: number;
}

/**
 * Early in a round against late in it, over rounds that were counted press by press; null where a half has no go. Only of goes that can be
 * won: a rate has no chances.
 */
export function earlyLate(test: Pick<RoundTest, 'ways' | 'counts'>, rounds: readonly DoneRound[]): EarlyLate | null {
  const asChances = { ways: test.ways, counts: 'chance' } as const;
  const half = (late: boolean): EarlyLate['early'] => {
    const cut = rounds.map((round) => ({
      ...round,
      presses: round.presses.filter(({ atMs }) => atMs !== null && atMs >= round.ranMs / 2 === late),
    }));
    const counted = addCounts(cut.map((round) => countsOf(round, asChances)));
    return counted && 'chances' in counted ? counted : { successes: 0, chances: 0 };
  };
  const [early, late] = [half(false), half(true)];
  if (early.chances === 0 || late.chances === 0) return null;
  const table = (a: EarlyLate['early'], b: EarlyLate['early']) => ({
    ...{ yes: a.successes, no: a.chances - a.successes, otherYes: b.successes, otherNo: b.chances - b.successes },
  });
  const p = Math.min(1, 2 * Math.min(fisherExact(table(early, late)), fisherExact(table(late, early))));
  return { early, late, p };
}
