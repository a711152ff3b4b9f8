import type { Athlete } from './athlete.ts';
import { fisherExact } from '../statistics/index.ts';
import { happeningWords, type Happening } from './happenings.ts';
import { positionName, type PositionCode } from '../positions/index.ts';

/** A then B: what one athlete does from a position, and what one of the two does soon after. */
export interface Pattern {
  first: { athlete: Athlete; kind: string; position: PositionCode; name: string | null };
  then: { athlete: Athlete; kind: string; name: string | null };
  /** How often B followed A in time; how often A was there; their ratio. */
  support: number;
  times: number;
  confidence: number;
  /** Confidence over how often B follows anything at all. */
  lift: number;
  /** Fisher's exact test, one-sided: A against everything else that was done. */
  p: number;
  /** The longest that B took, in seconds of the bout clock. */
  withinSeconds: number;
  instances: { bout: number; at: number; thenAt: number }[];
  /** "4 of 5 times the partner tried a sweep from half guard, the client passed within 9 s". */
  sentence: string;
}

/** B counts as following A when it comes within so many seconds of the bout clock (default). */
export const followSeconds = 15;
/** Times of files are rounded to thousandths, in seconds. */
const rounding = 0.0005;
/** Patterns that were seen less often are not shown. */
export const leastSupport = 3;

/** What something is counted as: itself, and by name where it has one. */
const namesOf = ({ name }: Happening): readonly (string | null)[] => (name === null ? unnamed : [null, name]);
const unnamed = [null] as const;

interface Followed {
  first: Pattern['first'];
  then: Pattern['then'];
  instances: Pattern['instances'];
  longest: number;
}

/** Whether B is only the success of A itself: "tried a pass, passed" is a rate of success, not a pattern. */
const isItsSuccess = (a: Happening, b: Happening): boolean =>
  a.athlete === b.athlete && (a.kind === `attempt ${b.kind}` || (a.kind === 'attempt back-take' && b.kind === 'back-control'));

/**
 * Looks for "A then B" over bouts (docs/domain.md §8), where B is later than A in the same fall. Best evidence first: smaller p, then
 * larger lift, then larger support. `bouts` holds what was done in each, in the order of time.
 */
export function findPatterns(bouts: readonly (readonly Happening[])[], within = followSeconds, support = leastSupport): Pattern[] {
  /** How often each A was there, and how often each B followed anything. */
  const times = new Map<string, number>();
  const follows = new Map<string, number>();
  const pairs = new Map<string, Followed>();
  let all = 0;
  const count = (counts: Map<string, number>, key: string): void => void counts.set(key, (counts.get(key) ?? 0) + 1);
  bouts.forEach((happenings, bout) => {
    happenings.forEach((a, i) => {
      all += 1;
      const firsts = namesOf(a).map((name) => ({ name, key: `${a.athlete} ${a.kind} ${a.position} ${name ?? ''}` }));
      for (const { key } of firsts) count(times, key);
      const seen = new Set<string>();
      for (let j = i + 1; j < happenings.length && happenings[j]!.clock - a.clock <= within + rounding; j++) {
        const b = happenings[j]!;
        // At one instant they are two readings of one change; and nothing leads over a tap.
        if (b.clock - a.clock <= rounding || b.fall !== a.fall) continue;
        for (const thenName of namesOf(b)) {
          const then = `${b.athlete} ${b.kind} ${thenName ?? ''}`;
          // Each A counts once for each B, by the first that followed.
          if (seen.has(then)) continue;
          seen.add(then);
          count(follows, then);
          if (isItsSuccess(a, b)) continue;
          for (const { name, key: first } of firsts) {
            const key = `${first}|${then}`;
            let pair = pairs.get(key);
            if (!pair) {
              pair = {
                first: { athlete: a.athlete, kind: a.kind, position: a.position, name },
                then: { athlete: b.athlete, kind: b.kind, name: thenName },
                instances: [],
                longest: 0,
              };
              pairs.set(key, pair);
            }
            pair.instances.push({ bout, at: a.at, thenAt: b.at });
            pair.longest = Math.max(pair.longest, b.clock - a.clock);
          }
        }
      }
    });
  });
  const found: Pattern[] = [];
  for (const [key, { first, then, instances, longest }] of pairs) {
    if (instances.length < support) continue;
    const [firstKey, thenKey] = key.split('|') as [string, string];
    const [yes, n, allYes] = [instances.length, times.get(firstKey)!, follows.get(thenKey)!];
    const [confidence, base] = [yes / n, allYes / all];
    const said = `${yes} of ${n} times the ${first.athlete} ${happeningWords(first.kind, first.name)} from ${positionName(first.position).toLowerCase()}`;
    found.push({
      first,
      then,
      support: yes,
      times: n,
      confidence,
      lift: confidence / base,
      instances,
      withinSeconds: longest,
      p: fisherExact({ yes, no: n - yes, otherYes: allYes - yes, otherNo: all - n - (allYes - yes) }),
      sentence: `${said}, the ${then.athlete} ${happeningWords(then.kind, then.name)} within ${Math.ceil(longest)} s`,
    });
  }
  return withoutTheSame(found).sort((a, b) => a.p - b.p || b.lift - a.lift || b.support - a.support);
}

/** How closely a pattern is called by name. */
const closeness = ({ first, then }: Pattern): number => Number(first.name !== null) + Number(then.name !== null);

/** Where a pattern by name has just the instances of the one without, only the one that says more is kept. */
function withoutTheSame(patterns: readonly Pattern[]): Pattern[] {
  const closest = new Map<string, Pattern>();
  for (const pattern of patterns) {
    const { first, then, instances } = pattern;
    const key = `${first.athlete} ${first.kind} ${first.position} ${then.athlete} ${then.kind} ${instances.map(({ bout, at, thenAt }) => `${bout}:${at}:${thenAt}`).join()}`;
    const there = closest.get(key);
    if (!there || closeness(pattern) > closeness(there)) closest.set(key, pattern);
  }
  return [...closest.values()];
}
