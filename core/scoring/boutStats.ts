import { forBoth, otherAthlete, type Athlete } from './athlete.ts';
import { boutClock } from './boutClock.ts';
import { playedStretches, type PlayedStretch } from './playedStretches.ts';
import { positionCodes, positionFamily, type Holder, type PositionCode } from '../positions/index.ts';
import type { BoutScore } from './score.ts';
import type { TimedBout } from './timedBout.ts';

export interface AthleteStats {
  /** Attempts that were coded, by technique. */
  attempts: Record<string, { tries: number; successes: number }>;
  tries: number;
  successes: number;
  /** Near points the score gave for positions and attempts, and actions it paid. */
  near: number;
  scored: number;
  /** Times the athlete got out from under a pin: to guard, neutral ground or the top. */
  escapes: number;
  /** Seconds of the bout clock in which the athlete pinned, had the back or attacked; and the longest of them without a break. */
  controlSeconds: number;
  longestControlSeconds: number;
  /** Seconds on top of the other’s guard, and playing guard. */
  onTopSeconds: number;
  guardSeconds: number;
  /** Attempts, guard pulls and paid actions to the minute of the bout clock. */
  activity: number;
}

export interface BoutStats {
  clockSeconds: number;
  /** Longest first. */
  time: { position: PositionCode; holder: Holder; seconds: number; share: number }[];
  /** How often one position with its holder was followed by another; most often first. Restarts are nobody's transition. */
  transitions: { from: Place; to: Place; count: number }[];
  client: AthleteStats;
  partner: AthleteStats;
}
type Place = Pick<PlayedStretch, 'position' | 'holder'>;

const indexOf = new Map(positionCodes.map((code, i) => [code, i]));
/** A number for each position and holder: quicker to look up by than words, over thousands of bouts. */
const placeKey = ({ position, holder }: Place): number => indexOf.get(position)! * 3 + (holder === null ? 0 : holder === 'client' ? 1 : 2);
const most = positionCodes.length * 3;
const changeKey = (from: Place, to: Place): number => placeKey(from) * most + placeKey(to);

/** Adds up a number under keys, keeping the first thing seen under each. */
function tally<T>(things: readonly T[], keyOf: (thing: T) => number, worth: (thing: T) => number): { thing: T; sum: number }[] {
  const sums = new Map<number, { thing: T; sum: number }>();
  for (const thing of things) {
    const key = keyOf(thing);
    const entry = sums.get(key);
    if (entry) entry.sum += worth(thing);
    else sums.set(key, { thing, sum: worth(thing) });
  }
  return [...sums.values()].sort((a, b) => b.sum - a.sum);
}

/** Whether a change is a way out from under a pin for `athlete`. */
export const isEscape = (athlete: Athlete, before: PlayedStretch, after: PlayedStretch): boolean =>
  after.begun === 'play' &&
  positionFamily(before.position) === 'pin' &&
  before.holder === otherAthlete(athlete) &&
  (after.holder !== before.holder || positionFamily(after.position) === 'guard');

interface Change {
  before: PlayedStretch;
  after: PlayedStretch;
}

const noAttempts = (): AthleteStats => ({
  attempts: {},
  tries: 0,
  successes: 0,
  near: 0,
  scored: 0,
  escapes: 0,
  controlSeconds: 0,
  longestControlSeconds: 0,
  onTopSeconds: 0,
  guardSeconds: 0,
  activity: 0,
});

function athleteStats(
  athlete: Athlete,
  bout: TimedBout,
  awards: BoutScore['awards'],
  stretches: readonly PlayedStretch[],
  changes: readonly Change[],
  minutes: number,
): AthleteStats {
  const stats = noAttempts();
  let pulls = 0;
  for (const event of bout.events) {
    if (event.kind === 'guard-pull' && event.athlete === athlete) pulls += 1;
    if (event.kind !== 'attempt' || event.athlete !== athlete) continue;
    const entry = (stats.attempts[event.technique] ??= { tries: 0, successes: 0 });
    entry.tries += 1;
    stats.tries += 1;
    if (event.outcome !== 'success') continue;
    entry.successes += 1;
    stats.successes += 1;
  }
  for (const award of awards) {
    if (award.athlete !== athlete || award.action === 'penalty') continue;
    stats.near += award.near;
    if (award.points > 0) stats.scored += 1;
  }
  for (const { before, after } of changes) if (isEscape(athlete, before, after)) stats.escapes += 1;
  let run = 0;
  for (const { position, holder, from, to, begun } of stretches) {
    const seconds = to - from;
    const isGuard = positionFamily(position) === 'guard';
    const controls = holder === athlete && !isGuard;
    if (begun === 'start' || !controls) run = 0;
    if (controls) {
      run += seconds;
      stats.controlSeconds += seconds;
      if (run > stats.longestControlSeconds) stats.longestControlSeconds = run;
    } else if (isGuard) stats[holder === athlete ? 'onTopSeconds' : 'guardSeconds'] += seconds;
  }
  stats.activity = minutes > 0 ? (stats.tries + pulls + stats.scored) / minutes : 0;
  return stats;
}

/** Everything that is counted of one bout (docs/domain.md §1, "derived"); several bouts are added up with `addStats`. */
export function boutStats(bout: TimedBout, { awards }: Pick<BoutScore, 'awards'>): BoutStats {
  const clock = boutClock(bout);
  const stretches = playedStretches(bout.spans, clock);
  let played = 0;
  const changes: Change[] = [];
  stretches.forEach((after, i) => {
    played += after.to - after.from;
    if (i > 0 && after.begun === 'play') changes.push({ before: stretches[i - 1]!, after });
  });
  const time = tally(stretches, placeKey, ({ from, to }) => to - from);
  const transitions = tally(
    changes,
    ({ before, after }) => changeKey(before, after),
    () => 1,
  );
  const minutes = clock.total / 60;
  return {
    clockSeconds: clock.total,
    time: time.map(({ thing: { position, holder }, sum }) => ({ position, holder, seconds: sum, share: played > 0 ? sum / played : 0 })),
    transitions: transitions.map(({ thing: { before, after }, sum }) => ({
      from: { position: before.position, holder: before.holder },
      to: { position: after.position, holder: after.holder },
      count: sum,
    })),
    client: athleteStats('client', bout, awards, stretches, changes, minutes),
    partner: athleteStats('partner', bout, awards, stretches, changes, minutes),
  };
}

function addAthletes(all: readonly AthleteStats[], minutes: readonly number[]): AthleteStats {
  const sum = (of: (one: AthleteStats) => number): number => all.reduce((total, one) => total + of(one), 0);
  const attempts: AthleteStats['attempts'] = {};
  for (const one of all)
    for (const [technique, { tries, successes }] of Object.entries(one.attempts)) {
      const entry = (attempts[technique] ??= { tries: 0, successes: 0 });
      entry.tries += tries;
      entry.successes += successes;
    }
  const total = minutes.reduce((a, b) => a + b, 0);
  return {
    attempts,
    tries: sum(({ tries }) => tries),
    successes: sum(({ successes }) => successes),
    near: sum(({ near }) => near),
    scored: sum(({ scored }) => scored),
    escapes: sum(({ escapes }) => escapes),
    controlSeconds: sum(({ controlSeconds }) => controlSeconds),
    onTopSeconds: sum(({ onTopSeconds }) => onTopSeconds),
    guardSeconds: sum(({ guardSeconds }) => guardSeconds),
    longestControlSeconds: Math.max(0, ...all.map(({ longestControlSeconds }) => longestControlSeconds)),
    activity: total > 0 ? all.reduce((acts, { activity }, i) => acts + activity * minutes[i]!, 0) / total : 0,
  };
}

/** Several bouts as one: of a day, or of a client over time. */
export function addStats(all: readonly BoutStats[]): BoutStats {
  const clockSeconds = all.reduce((sum, one) => sum + one.clockSeconds, 0);
  const minutes = all.map((one) => one.clockSeconds / 60);
  const time = tally(
    all.flatMap((one) => one.time),
    placeKey,
    ({ seconds }) => seconds,
  );
  const seconds = time.reduce((sum, entry) => sum + entry.sum, 0);
  const transitions = tally(
    all.flatMap((one) => one.transitions),
    ({ from, to }) => changeKey(from, to),
    ({ count }) => count,
  );
  return {
    clockSeconds,
    time: time.map(({ thing: { position, holder }, sum }) => ({ position, holder, seconds: sum, share: seconds > 0 ? sum / seconds : 0 })),
    transitions: transitions.map(({ thing: { from, to }, sum }) => ({ from, to, count: sum })),
    ...forBoth((athlete) =>
      addAthletes(
        all.map((one) => one[athlete]),
        minutes,
      ),
    ),
  };
}
