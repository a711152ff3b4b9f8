import { positionFamily, type Holder, type PositionCode, type Posture } from '../positions/index.ts';
import { forBoth, otherAthlete, type Athlete } from './athlete.ts';
import { attacksOf } from './attacks.ts';
import { boutClock } from './boutClock.ts';
import { calledBy, threatFacts } from './threats.ts';
import type { BoutScore } from './score.ts';
import type { TimedBout } from './timedBout.ts';

/** What one athlete tried by one name: how often, how often it worked, how often it was caught and let go. */
export interface NamedCount {
  technique: string;
  name: string;
  tries: number;
  successes: number;
  caught: number;
}

/** Seconds of the bout clock in a posture, of those in which somebody said one. */
interface PostureSeconds {
  /** On top of a guard: on the feet, on the knees. */
  passing: { standing: number; knees: number };
  /** Below a guard or a pin. */
  below: { flat: number; side: number; seated: number };
  insideSeconds: number;
  /** Own hand on the other’s head. */
  headSeconds: number;
}

export interface NamedAthlete {
  acts: NamedCount[];
  posture: PostureSeconds;
  threats: number;
  dangerSeconds: number;
  lateTaps: number;
}

/** What is counted by name and by posture, of what was said so closely. */
export interface NamedStats {
  /** Longest first. */
  time: { name: string; position: PositionCode; holder: Holder; seconds: number }[];
  client: NamedAthlete;
  partner: NamedAthlete;
}

const noPosture = (): PostureSeconds => ({
  passing: { standing: 0, knees: 0 },
  below: { flat: 0, side: 0, seated: 0 },
  insideSeconds: 0,
  headSeconds: 0,
});

function addPosture(to: PostureSeconds, posture: Posture, athlete: Athlete, holds: boolean, isGuard: boolean, seconds: number): void {
  if (holds && isGuard && posture.top) to.passing[posture.top] += seconds;
  if (!holds && posture.bottom) to.below[posture.bottom] += seconds;
  if (posture.inside === athlete) to.insideSeconds += seconds;
  if (posture.head === athlete) to.headSeconds += seconds;
}

function addCount(counts: NamedCount[], { technique, name, tries, successes, caught }: NamedCount): void {
  const there = counts.find((one) => one.technique === technique && one.name === name);
  if (!there) counts.push({ technique, name, tries, successes, caught });
  else {
    there.tries += tries;
    there.successes += successes;
    there.caught += caught;
  }
}

const inOrder = (counts: NamedCount[]): NamedCount[] => counts.sort((a, b) => b.tries - a.tries || a.name.localeCompare(b.name));

/** What of a bout was said by name: acts, stretches, postures and threats. */
export function namedStats(bout: TimedBout, score: Pick<BoutScore, 'awards'>): NamedStats {
  const clock = boutClock(bout);
  const facts = threatFacts(bout, score);
  const time: NamedStats['time'] = [];
  const postures = { client: noPosture(), partner: noPosture() };
  for (const { position, holder, from, to, name, posture } of bout.spans) {
    const seconds = clock.at(to) - clock.at(from);
    if (name) {
      const called = calledBy(name);
      const there = time.find((one) => one.name === called && one.position === position && one.holder === holder);
      if (there) there.seconds += seconds;
      else time.push({ name: called, position, holder, seconds });
    }
    if (posture)
      for (const athlete of ['client', 'partner'] as const)
        addPosture(postures[athlete], posture, athlete, holder === athlete, positionFamily(position) === 'guard', seconds);
  }
  const of = (athlete: Athlete): NamedAthlete => {
    const acts: NamedCount[] = [];
    for (const event of bout.events)
      if (event.kind === 'attempt' && event.athlete === athlete && event.technique !== 'finish' && event.name)
        addCount(acts, {
          ...{ technique: event.technique, name: calledBy(event.name), tries: 1, caught: 0 },
          successes: Number(event.outcome === 'success'),
        });
    for (const attack of attacksOf(bout))
      if (attack.athlete === athlete && attack.name !== null)
        addCount(acts, {
          ...{ technique: 'finish', name: attack.name, tries: 1 },
          ...{ successes: Number(attack.outcome === 'finished'), caught: Number(attack.outcome === 'caught') },
        });
    const against = facts.filter(({ threat }) => threat.athlete === otherAthlete(athlete));
    return {
      acts: inOrder(acts),
      posture: postures[athlete],
      threats: facts.length - against.length,
      dangerSeconds: against.reduce((sum, { dangerSeconds }) => sum + dangerSeconds, 0),
      lateTaps: against.filter(({ lateTap }) => lateTap).length,
    };
  };
  return { time: time.sort((a, b) => b.seconds - a.seconds), ...forBoth(of) };
}

/** Several bouts as one: of a day, or of a client over time. */
export function addNamed(all: readonly NamedStats[]): NamedStats {
  const time: NamedStats['time'] = [];
  for (const one of all.flatMap((stats) => stats.time)) {
    const there = time.find(({ name, position, holder }) => name === one.name && position === one.position && holder === one.holder);
    if (there) there.seconds += one.seconds;
    else time.push({ ...one });
  }
  const of = (athlete: Athlete): NamedAthlete => {
    const own = all.map((stats) => stats[athlete]);
    const sum = (what: (one: NamedAthlete) => number): number => own.reduce((total, one) => total + what(one), 0);
    const acts: NamedCount[] = [];
    for (const one of own) for (const count of one.acts) addCount(acts, count);
    return {
      acts: inOrder(acts),
      posture: {
        passing: { standing: sum(({ posture }) => posture.passing.standing), knees: sum(({ posture }) => posture.passing.knees) },
        below: {
          flat: sum(({ posture }) => posture.below.flat),
          side: sum(({ posture }) => posture.below.side),
          seated: sum(({ posture }) => posture.below.seated),
        },
        insideSeconds: sum(({ posture }) => posture.insideSeconds),
        headSeconds: sum(({ posture }) => posture.headSeconds),
      },
      threats: sum(({ threats }) => threats),
      dangerSeconds: sum(({ dangerSeconds }) => dangerSeconds),
      lateTaps: sum(({ lateTaps }) => lateTaps),
    };
  };
  return { time: time.sort((a, b) => b.seconds - a.seconds), ...forBoth(of) };
}
