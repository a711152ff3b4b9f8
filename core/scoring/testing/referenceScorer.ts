import type { TimedBout } from '../timedBout.ts';

/**
 * A slow scorer that walks a bout tenth of a second by tenth of a second. It shares no code and no table with the engine: what
 * counts as what is written out here again, from docs/domain.md §3. Bout times must be whole tenths.
 */
export interface ReferenceSheet {
  points: Record<string, number>;
  near: number;
  pullCosts: number;
  counts: 'always' | 'late' | 'never';
  decides: boolean;
}

export interface ReferenceEntry {
  athlete: string;
  action: string;
  tenth: number;
  points: number;
  near: number;
}
export interface ReferenceResult {
  winner: string | null;
  decidedBy: string;
  points: Record<string, number>;
  near: Record<string, number>;
  penalties: Record<string, number>;
  entries: ReferenceEntry[];
}

interface Tick {
  position: string;
  holder: string | null;
  /** The first tick after a restart. */
  fresh: boolean;
  /** Tenth of the footage clock. */
  footage: number;
}

const guards = 'closed-guard seated-guard open-guard knee-shield single-leg-x x-guard k-guard deep-half half-guard quarter-guard'.split(
  ' ',
);
const topPins = 'turtle side-control north-south head-and-arm knee-on-belly mount three-quarter-mount back-mount'.split(' ');
const backs = 'back-seatbelt truck back-control crucifix'.split(' ');
const passed = 'side-control north-south head-and-arm knee-on-belly mount three-quarter-mount back-mount'.split(' ');
const neutral = 'standing clinch both-seated scramble fifty-fifty'.split(' ');
const ground = [...guards, ...topPins, ...backs];
const rung: Record<string, number> = {
  takedown: 0,
  sweep: 0,
  reversal: 0,
  pass: 1,
  'knee-on-belly': 2,
  mount: 3,
  'back-mount': 3,
  'back-control': 3,
};
const tenth = (seconds: number): number => Math.round(seconds * 10);
const reach = (position: string): string | null =>
  position === 'three-quarter-mount'
    ? 'mount'
    : ['knee-on-belly', 'mount', 'back-mount', 'back-control'].includes(position)
      ? position
      : null;
const keeps = (action: string, position: string): boolean =>
  ['takedown', 'sweep', 'reversal'].includes(action)
    ? ground.includes(position)
    : action === 'pass'
      ? passed.includes(position)
      : reach(position) === action;

function ticksOf(bout: TimedBout): Tick[] {
  const ticks: Tick[] = [];
  let stopped = false;
  let named: { position: string; holder: string | null; from: number } | null = null;
  let fresh = false;
  for (let t = 0; t < tenth(bout.lengthSeconds); t++) {
    for (const event of bout.events) {
      if (tenth(event.at) !== t) continue;
      if (event.kind === 'stoppage') stopped = true;
      if (event.kind === 'restart' && stopped) {
        stopped = false;
        fresh = true;
        const coded = bout.spans.findIndex((span) => tenth(span.from) <= t && t < tenth(span.to));
        named = event.position ? { position: event.position, holder: event.holder ?? null, from: coded } : null;
      }
    }
    if (stopped) continue;
    const at = bout.spans.findIndex((span) => tenth(span.from) <= t && t < tenth(span.to));
    if (named && named.from !== at) named = null;
    const { position, holder } = named ?? bout.spans[at]!;
    ticks.push({ position, holder, fresh, footage: t });
    fresh = false;
  }
  return ticks;
}

interface Done {
  athlete: string;
  action: string;
  at: number;
  until: number;
  control: number;
  dead: boolean;
}

export function referenceScore(bout: TimedBout, sheet: ReferenceSheet): ReferenceResult {
  const all = ticksOf(bout);
  const clockOf = (seconds: number): number => all.filter((tick) => tick.footage < tenth(seconds)).length;
  const counts = sheet.counts === 'never' ? Infinity : sheet.counts === 'late' ? tenth(bout.clockSeconds ?? all.length / 10) / 2 : 0;
  const foe = (athlete: string): string => (athlete === 'client' ? 'partner' : 'client');

  // The end.
  const timed = bout.events.map((event) => ({ event, clock: clockOf(event.at) })).sort((a, b) => a.event.at - b.event.at);
  const finishes = timed.filter(({ event }) => event.kind === 'finish');
  const fourths = ['client', 'partner'].flatMap(
    (athlete) => timed.filter(({ event }) => event.kind === 'penalty' && event.athlete === athlete)[3] ?? [],
  );
  const end = Math.min(all.length, ...[...finishes, ...fourths].map(({ clock }) => clock));
  const ticks = all.slice(0, end);
  const ended = [...finishes, ...fourths].filter(
    ({ clock }) => clock === end && (clock < all.length || finishes.length + fourths.length > 0),
  );

  // What was done.
  const done: Done[] = [];
  const control: Record<string, number> = { client: 0, partner: 0 };
  let spanBegan = 0;
  for (let k = 1; k < ticks.length; k++) {
    const [before, now] = [ticks[k - 1]!, ticks[k]!];
    if (before.position === now.position && before.holder === now.holder) continue;
    for (const athlete of ['client', 'partner']) {
      const lost = now.holder !== athlete || neutral.includes(now.position);
      const regained = guards.includes(now.position) && !(guards.includes(before.position) && before.holder === athlete);
      if (lost || regained) control[athlete]! += 1;
    }
    const began = spanBegan;
    spanBegan = k;
    const me = now.holder;
    if (now.fresh || me === null) continue;
    const add = (action: string, dead = false): void => {
      let until = k;
      while (until < ticks.length && ticks[until]!.holder === me && keeps(action, ticks[until]!.position)) until += 1;
      done.push({ athlete: me, action, at: k, until, control: control[me]!, dead });
    };
    if (['standing', 'clinch', 'rear-clinch'].includes(before.position) && ground.includes(now.position)) {
      let last = k;
      while (last < ticks.length && ticks[last]!.position === now.position && ticks[last]!.holder === me) last += 1;
      const pull = timed.findLast(
        ({ event, clock }) => event.kind === 'guard-pull' && event.athlete === foe(me) && clock >= began && clock < Math.min(k + 10, last),
      );
      add('takedown', pull?.event.kind === 'guard-pull' && !pull.event.gripped);
    }
    if (before.holder === foe(me) && [...guards, ...topPins].includes(now.position)) {
      if (guards.includes(before.position)) add('sweep');
      if ([...topPins, ...backs].includes(before.position)) add('reversal');
    }
    if (before.holder === me && guards.includes(before.position)) {
      if (passed.includes(now.position)) add('pass');
      if (now.position === 'turtle') add('pass', true);
    }
    const reached = reach(now.position);
    if (reached && !(before.holder === me && reach(before.position) === reached)) add(reached);
  }

  // What is given for it, and when.
  const givenAt = (i: number): number | null => {
    const one = done[i]!;
    let next = -1;
    for (let j = done.length - 1; j > i; j--) if (done[j]!.athlete === one.athlete && !done[j]!.dead) next = j;
    if (next > 0 && done[next]!.at <= one.until && done[next]!.at < one.at + 30 && rung[done[next]!.action]! >= rung[one.action]!) {
      const together = givenAt(next);
      if (together !== null) return together;
    }
    return one.until - one.at >= 30 ? one.at + 30 : null;
  };
  const entries: ReferenceEntry[] = [];
  const give = (athlete: string, action: string, at: number, points: number, near: number): void => {
    entries.push({ athlete, action, tenth: at, points, near });
  };
  const had: string[] = [];
  done.forEach((one, i) => {
    const worth = sheet.points[one.action]!;
    if (counts === Infinity || one.dead || worth === 0) return;
    const mine = `${one.athlete} ${one.action} ${one.control}`;
    if (had.includes(`${mine} paid`)) return;
    const at = givenAt(i) ?? one.until;
    if (at < counts) return;
    if (givenAt(i) !== null) {
      had.push(`${mine} paid`);
      give(one.athlete, one.action, at, worth, 0);
    } else if (!had.includes(`${mine} near`)) {
      had.push(`${mine} near`);
      give(one.athlete, one.action, at, 0, sheet.near);
    }
  });
  const penalties: Record<string, number> = { client: 0, partner: 0 };
  for (const { event, clock } of timed) {
    if (clock > end) continue;
    if (event.kind === 'penalty') {
      penalties[event.athlete]! += 1;
      const n = penalties[event.athlete]!;
      if (clock >= counts && n === 2) give(foe(event.athlete), 'penalty', clock, 0, 1);
      if (clock >= counts && n === 3) give(foe(event.athlete), 'penalty', clock, 2, 0);
    }
    if (clock < counts) continue;
    if (event.kind === 'guard-pull' && sheet.pullCosts > 0) give(event.athlete, 'guard-pull', clock, -sheet.pullCosts, 0);
    if (event.kind === 'attempt' && event.close && event.outcome !== 'success') {
      const judged = done.some(
        (one) => one.athlete === event.athlete && one.action === event.technique && !one.dead && clock >= one.at - 30 && clock <= one.until,
      );
      if (!judged) give(event.athlete, event.technique, clock, 0, 1);
    }
  }

  const sum = (of: 'points' | 'near') => {
    const total: Record<string, number> = { client: 0, partner: 0 };
    for (const entry of entries) total[entry.athlete]! += entry[of];
    return total;
  };
  const [points, near] = [sum('points'), sum('near')];
  const result = (winner: string | null, decidedBy: string): ReferenceResult => ({ winner, decidedBy, points, near, penalties, entries });
  if (!sheet.decides) return result(null, 'not-scored');
  const first = Math.min(...ended.map(({ event }) => event.at));
  const atOnce = ended.filter(({ event }) => event.at === first || clockOf(event.at) === end);
  const won = atOnce.flatMap(({ event }) => (event.kind === 'finish' ? [event.athlete] : []));
  const lost = atOnce.flatMap(({ event }) => (event.kind === 'penalty' ? [event.athlete] : []));
  if (won.length === 1) return result(won[0]!, 'finish');
  if (won.length === 0 && lost.length === 1) return result(foe(lost[0]!), 'disqualification');
  if (won.length + lost.length > 0) return result(null, 'referee');
  if (points['client'] !== points['partner']) return result(points['client']! > points['partner']! ? 'client' : 'partner', 'points');
  if (near['client'] !== near['partner']) return result(near['client']! > near['partner']! ? 'client' : 'partner', 'near-points');
  if (penalties['client'] !== penalties['partner'])
    return result(penalties['client']! < penalties['partner']! ? 'client' : 'partner', 'penalties');
  return result(null, 'referee');
}
