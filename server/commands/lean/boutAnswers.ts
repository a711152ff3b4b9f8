import type { ReadBout } from '@lean-mentor/contract';
import {
  addNamed,
  addStats,
  namedStats,
  boutStats,
  coderCheck,
  findPatterns,
  happeningsOf,
  leanOverTime,
  positionValues,
  scoreBout,
  stakesAt,
  type BoutStats,
  type NamedStats,
  type ScoreEntry,
} from '@lean-mentor/core/scoring';

export type GoodBout = Exclude<ReadBout, { faults: string[] }>;

/** Files carry thousandths; more digits would be noise of the arithmetic. */
const rounded = (value: number): number => Math.round(value * 1000) / 1000;

const entryOf = ({ athlete, action, at, bankedAt, points, near, reason }: ScoreEntry) => ({
  athlete,
  action,
  atSeconds: rounded(at),
  bankedAtSeconds: rounded(bankedAt),
  points,
  near,
  reason,
});

/** `lean score FILE` */
export function scoreAnswer({ bout, sheet }: GoodBout) {
  const { winner, decidedBy, score, awards, refusals, falls, doubts, endedAt } = scoreBout(bout, sheet);
  return {
    winner,
    decidedBy,
    ruleSheet: sheet.name,
    endedAtSeconds: rounded(endedAt),
    score,
    awards: awards.map(entryOf),
    refusals: refusals.map(entryOf),
    falls: falls.map(({ athlete, name, from, at, attackFrom, score: own }) => ({
      athlete,
      ...(name && { name }),
      fromSeconds: rounded(from),
      atSeconds: rounded(at),
      ...(attackFrom !== null && { attackFromSeconds: rounded(attackFrom) }),
      score: own,
    })),
    doubts: [...doubts, ...coderCheck(bout)]
      .sort((a, b) => a.at - b.at)
      .map(({ kind, at, words }) => ({ kind, atSeconds: rounded(at), reason: words })),
    notes: sheet.notes,
  };
}

/** `lean stakes FILE --at SECONDS` */
export function stakesAnswer({ bout, sheet }: GoodBout, at: number) {
  const { clock, secondsLeft, ...stakes } = stakesAt(bout, sheet, scoreBout(bout, sheet), at);
  return { atSeconds: at, clockSeconds: rounded(clock), secondsLeft: secondsLeft === null ? null : rounded(secondsLeft), ...stakes };
}

/** `lean lean FILE`: time and lean as CSV. */
export function leanAnswer({ bout, valuePreset }: GoodBout, every: number): string {
  const rows = leanOverTime(bout, every, positionValues(valuePreset)).map(({ seconds, lean }) => `${rounded(seconds)},${lean}`);
  return ['time,lean', ...rows].join('\n');
}

const roundedStats = ({ clockSeconds, time, transitions, client, partner }: BoutStats) => ({
  clockSeconds: rounded(clockSeconds),
  time: time.map((entry) => ({ ...entry, seconds: rounded(entry.seconds), share: rounded(entry.share) })),
  transitions,
  client: roundedAthlete(client),
  partner: roundedAthlete(partner),
});
const roundedAthlete = (one: BoutStats['client']) => ({
  ...one,
  controlSeconds: rounded(one.controlSeconds),
  longestControlSeconds: rounded(one.longestControlSeconds),
  onTopSeconds: rounded(one.onTopSeconds),
  guardSeconds: rounded(one.guardSeconds),
  activity: rounded(one.activity),
});

/** `lean stats FILE…`: of one bout, or of several together. */
export const statsAnswer = (bouts: readonly GoodBout[]) => {
  const scored = bouts.map(({ bout, sheet }) => ({ bout, score: scoreBout(bout, sheet) }));
  return {
    ...roundedStats(addStats(scored.map(({ bout, score }) => boutStats(bout, score)))),
    byName: roundedNamed(addNamed(scored.map(({ bout, score }) => namedStats(bout, score)))),
  };
};

const roundedNamed = ({ time, client, partner }: NamedStats) => ({
  time: time.map((entry) => ({ ...entry, seconds: rounded(entry.seconds) })),
  client: { ...client, dangerSeconds: rounded(client.dangerSeconds) },
  partner: { ...partner, dangerSeconds: rounded(partner.dangerSeconds) },
});

/** `lean patterns FILE…` */
export const patternsAnswer = (bouts: readonly GoodBout[], files: readonly string[]) =>
  findPatterns(bouts.map(({ bout }) => happeningsOf(bout))).map(({ instances, withinSeconds, ...pattern }) => ({
    ...pattern,
    withinSeconds: rounded(withinSeconds),
    instances: instances.map(({ bout, at, thenAt }) => ({ file: files[bout], atSeconds: rounded(at), thenAtSeconds: rounded(thenAt) })),
  }));
