import { otherAthlete, type Athlete } from './athlete.ts';
import { attacksOf } from './attacks.ts';
import { boutClock } from './boutClock.ts';
import { isEscape } from './boutStats.ts';
import { clockSlack } from './clockSlack.ts';
import { playedStretches, type PlayedStretch } from './playedStretches.ts';
import type { PositionCode } from '../positions/index.ts';
import { readActions } from './readActions.ts';
import { pointsJacket } from './ruleSheet.ts';
import type { Fall } from './score.ts';
import { calledBy } from './threats.ts';
import type { TimedBout } from './timedBout.ts';

/** Something an athlete did, as patterns see it. */
export interface Happening {
  athlete: Athlete;
  /** "takedown", "attempt pass", "guard-pull", "escape", "finish" and so on. */
  kind: string;
  /** What it was called, by its first name in the table of techniques; null where nobody said. */
  name: string | null;
  /** Where it began: the position before it. */
  position: PositionCode;
  /** Seconds of the bout clock; and of the footage clock since the bout's start. */
  clock: number;
  at: number;
  /** In which fall it was, from 0: nothing leads from one into the next. */
  fall: number;
}

const words = (technique: string): string => technique.replaceAll('-', ' ');

/** A kind in words, past tense: "passed", "tried to sweep". */
export function happeningWords(kind: string, name: string | null = null): string {
  const done: Record<string, string> = {
    takedown: 'took down',
    sweep: 'swept',
    reversal: 'reversed',
    pass: 'passed',
    'knee-on-belly': 'reached knee on belly',
    mount: 'mounted',
    'back-mount': 'reached back mount',
    'back-control': 'took the back',
    'guard-pull': 'pulled guard',
    escape: 'escaped',
    finish: 'finished',
  };
  const called = name === null ? null : name.charAt(0).toLowerCase() + name.slice(1);
  if (done[kind]) return called === null ? done[kind] : `${done[kind]} by ${called}`;
  const what = called ?? words(kind.replace(/^attempt /, ''));
  return `tried ${/^[aeiou]/.test(what) ? 'an' : 'a'} ${what}`;
}

/** What an attempt is once it has worked. */
const becomes: Readonly<Record<string, string>> = { 'back-take': 'back-control' };
/** An attempt that worked is the action that begins within so many seconds of it. */
const sameAct = 3;

/** The position that ends at, or holds over, a bout clock second; of the start, the first one (binary search). */
function positionBefore(stretches: readonly PlayedStretch[], now: number): PositionCode | undefined {
  let [low, high] = [0, stretches.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (stretches[middle]!.from < now - clockSlack) low = middle;
    else high = middle - 1;
  }
  return stretches[low]?.position;
}

/** What was read off the positions of an act, about an instant. */
const toldOf = (found: readonly Happening[], athlete: Athlete, kind: string, now: number): Happening | undefined =>
  found.find((one) => one.athlete === athlete && one.kind === kind && Math.abs(one.clock - now) <= sameAct);

/** Everything either athlete did in a bout, in the order of time. An attempt that worked is told once, as what it became. */
export function happeningsOf(bout: TimedBout): Happening[] {
  const clock = boutClock(bout);
  const stretches = playedStretches(bout.spans, clock);
  const found: Happening[] = [];
  const add = (athlete: Athlete, kind: string, now: number, name: string | null, at = clock.footageAt(now)): void => {
    const position = positionBefore(stretches, now);
    // The next fall may begin on the very instant of a tap.
    if (position)
      found.push({ athlete, kind, name, position, clock: now, at, fall: clock.fallAt(kind === 'finish' ? at - 2 * clockSlack : at) });
  };
  for (const { athlete, action, reached, void: nothing } of readActions(stretches, bout.events, clock, pointsJacket))
    if (nothing === null) add(athlete, action, reached, null);
  stretches.forEach((after, i) => {
    const before = stretches[i - 1];
    if (!before?.holder) return;
    const athlete = otherAthlete(before.holder);
    if (isEscape(athlete, before, after)) add(athlete, 'escape', after.from, null);
  });
  for (const event of bout.events) {
    const now = clock.at(event.at);
    if (event.kind === 'guard-pull') add(event.athlete, event.kind, now, null, event.at);
    if (event.kind !== 'attempt' || event.technique === 'finish') continue;
    const name = event.name === undefined ? null : calledBy(event.name);
    const worked = event.outcome === 'success' ? toldOf(found, event.athlete, becomes[event.technique] ?? event.technique, now) : undefined;
    // An attempt that worked is told as what it became, and that is called as the attempt was.
    if (worked) worked.name ??= name;
    else add(event.athlete, `attempt ${event.technique}`, now, name, event.at);
  }
  for (const { athlete, name, at, end, outcome } of attacksOf(bout)) {
    if (outcome !== 'finished') add(athlete, 'attempt finish', clock.at(at), name, at);
    else add(athlete, 'finish', clock.at(end), name, end);
  }
  return found.sort((a, b) => a.clock - b.clock);
}

/** What leads to a finish follows within so many seconds of the bout clock, one upon another. */
const chainSeconds = 15;

/** The chain before a fall, in words: "Partner took down, passed; client tried a sweep"; empty where nothing led there. */
export function fallChain(bout: TimedBout, { at, athlete }: Pick<Fall, 'at' | 'athlete'>): string {
  const all = happeningsOf(bout);
  const end = all.findIndex((one) => one.kind === 'finish' && one.athlete === athlete && Math.abs(one.at - at) <= clockSlack);
  if (end < 0) return '';
  let first = end;
  while (first > 0 && all[first - 1]!.fall === all[end]!.fall && all[first]!.clock - all[first - 1]!.clock <= chainSeconds) first -= 1;
  const parts: { athlete: Athlete; done: string[] }[] = [];
  for (const { athlete: who, kind, name } of all.slice(first, end)) {
    const last = parts.at(-1);
    if (last?.athlete === who) last.done.push(happeningWords(kind, name));
    else parts.push({ athlete: who, done: [happeningWords(kind, name)] });
  }
  const words = parts.map(({ athlete: who, done }) => `${who} ${done.join(', ')}`).join('; ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}
