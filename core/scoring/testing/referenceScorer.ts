import type { TimedBout } from '../timedBout.ts';
import { tenth, ticksOf, type Tick } from './referenceTicks.ts';

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
  holdTenths: number;
  /** So long, in tenths, a way through lasts at most. */
  wayTenths: number;
  /** What coming up pays: out of a long fifty-fifty, a long leg entanglement, a double pull. */
  comingUp: Record<'fifty-fifty' | 'leg-entanglement' | 'both-seated', 'sweep' | 'near' | 'nothing'>;
  /** Points of a takedown into a guard and past it. */
  takedown: [guard: number, past: number];
  /** Of each penalty, the last one repeats: near points and points to the other; "loss". */
  ladder: ([near: number, points: number] | 'loss')[];
}

/** Tenths of the bout clock, but `at` of the footage clock. */
export interface ReferenceEntry {
  athlete: string;
  action: string;
  at: number;
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
  /** What was looked at and not given. */
  refused: Pick<ReferenceEntry, 'athlete' | 'action' | 'at'>[];
  /** Where somebody is on top and nobody knows how. */
  doubts: Pick<ReferenceEntry, 'athlete' | 'at'>[];
  falls: {
    athlete: string;
    from: number;
    at: number;
    attackFrom: number | null;
    points: Record<string, number>;
    near: Record<string, number>;
    penalties: Record<string, number>;
  }[];
  endedAt: number;
}

const guards = 'closed-guard seated-guard open-guard knee-shield single-leg-x x-guard k-guard deep-half half-guard quarter-guard'.split(
  ' ',
);
const topPins = 'turtle side-control north-south head-and-arm knee-on-belly mount three-quarter-mount back-mount'.split(' ');
const backs = 'back-seatbelt truck back-control crucifix'.split(' ');
const passed = 'side-control north-south head-and-arm knee-on-belly mount three-quarter-mount back-mount'.split(' ');
const neutral = 'standing clinch both-seated scramble fifty-fifty'.split(' ');
const ground = [...guards, ...topPins, ...backs];
const ways = 'scramble fifty-fifty leg-entanglement front-headlock both-seated'.split(' ');
const feet = 'standing clinch rear-clinch'.split(' ');
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

interface Done {
  athlete: string;
  action: string;
  at: number;
  until: number;
  control: number;
  dead: boolean;
  pays: 'sweep' | 'near' | 'nothing';
  worth: number;
}

/** Scores a bout by a sheet; whoever scores it by several walks it once, and hands in its ticks. */
export function referenceScore(bout: TimedBout, sheet: ReferenceSheet, walked = ticksOf(bout)): ReferenceResult {
  const { ticks: all, openings, falls: tapped, began, clock } = walked;
  const startsAgain = bout.afterFinish === 'restarts';
  const clockOf = (seconds: number): number => clock[tenth(seconds)] ?? all.length;
  const counts = sheet.counts === 'never' ? Infinity : sheet.counts === 'late' ? tenth(bout.clockSeconds ?? all.length / 10) / 2 : 0;
  const foe = (athlete: string): string => (athlete === 'client' ? 'partner' : 'client');

  // The end.
  const timed = bout.events.map((event) => ({ event, clock: clockOf(event.at) })).sort((a, b) => a.event.at - b.event.at);
  const finishes = startsAgain ? [] : timed.filter(({ event }) => event.kind === 'finish');
  const losing = sheet.ladder.indexOf('loss');
  const fourths =
    losing < 0
      ? []
      : ['client', 'partner'].flatMap(
          (athlete) => timed.filter(({ event }) => event.kind === 'penalty' && event.athlete === athlete)[losing] ?? [],
        );
  const end = Math.min(all.length, ...[...finishes, ...fourths].map(({ clock }) => clock));
  const ticks = all.slice(0, end);
  const ended = [...finishes, ...fourths].filter(
    ({ clock }) => clock === end && (clock < all.length || finishes.length + fourths.length > 0),
  );

  // What was done.
  const done: Done[] = [];
  const doubts: ReferenceResult['doubts'] = [];
  const control: Record<string, number> = { client: 0, partner: 0 };
  const beganAt = (k: number): number => began[k]!;
  const putThere = (k: number): boolean => k === 0 || ticks[k]!.fresh || ticks[k]!.newFall;
  let top: string | null = ticks[0] && ground.includes(ticks[0].position) ? ticks[0].holder : null;
  for (let k = 1; k < ticks.length; k++) {
    const [last, now] = [ticks[k - 1]!, ticks[k]!];
    if (now.newFall) {
      top = ground.includes(now.position) ? now.holder : null;
      for (const athlete of ['client', 'partner']) control[athlete]! += 1;
      continue;
    }
    if ((last.position === now.position && last.holder === now.holder) || ways.includes(now.position)) continue;
    // Back over what was gone through, to where they were before; the feet, where that is how it was begun.
    const gone: number[] = [];
    let t = k;
    let before: { position: string; holder: string | null; began: number } | null = null;
    while (before === null) {
      const start = beganAt(t - 1);
      const there = ticks[start]!;
      if (!ways.includes(there.position)) before = { position: there.position, holder: there.holder, began: start };
      else {
        gone.unshift(start);
        if (putThere(start)) before = { position: 'standing', holder: null, began: start };
        t = start;
      }
    }
    const stay = gone.length > 0 ? k - gone[0]! : 0;
    const short = stay <= sheet.wayTenths;
    const path = short ? [before, now] : [before, ...gone.map((at) => ticks[at]!), now];
    for (const athlete of ['client', 'partner']) {
      const ends = path.some((to, i) => {
        if (i === 0) return false;
        const from = path[i - 1]!;
        const lost = to.holder !== athlete || neutral.includes(to.position);
        return lost || (guards.includes(to.position) && !(guards.includes(from.position) && from.holder === athlete));
      });
      if (ends) control[athlete]! += 1;
    }
    const me = now.holder;
    const wasTop = top;
    if (ground.includes(now.position)) top = me;
    else if (feet.includes(now.position)) top = null;
    if (now.fresh || me === null) continue;
    const added: string[] = [];
    const add = (action: string, dead = false, pays: Done['pays'] = 'sweep'): void => {
      let until = k;
      const stays = ({ holder, position, newFall }: Tick): boolean => !newFall && holder === me && keeps(action, position);
      while (until < ticks.length && stays(ticks[until]!)) until += 1;
      added.push(action);
      const worth = action === 'takedown' ? sheet.takedown[guards.includes(now.position) ? 0 : 1] : sheet.points[action]!;
      done.push({ athlete: me, action, at: k, until, control: control[me]!, dead, pays, worth });
    };
    const isTop = [...guards, ...topPins].includes(now.position);
    const sat = feet.includes(before.position) && gone.some((at) => ticks[at]!.position === 'both-seated');
    const legs = gone.findLast((at) => ['fifty-fifty', 'leg-entanglement'].includes(ticks[at]!.position));
    let legsEnd = legs ?? 0;
    while (legs !== undefined && legsEnd < k && beganAt(legsEnd) === legs) legsEnd += 1;
    // Read against what was before; else against the last that was gone through.
    let from: { position: string; holder: string | null } = before;
    if (sat) {
      from = ticks[gone.at(-1)!]!;
      if (isTop) add('sweep', false, sheet.comingUp['both-seated']);
    } else if (!short) {
      from = ticks[gone.at(-1)!]!;
      if (legs !== undefined && k - legsEnd <= sheet.wayTenths && isTop)
        add('sweep', false, sheet.comingUp[ticks[legs]!.position as 'fifty-fifty']);
    }
    const thrown = feet.includes(from.position) && ground.includes(now.position);
    if (thrown) {
      let leaves = k;
      while (leaves < ticks.length && beganAt(leaves) === k) leaves += 1;
      const play = (footage: number): number => openings.filter((at) => at <= footage).length;
      const pull = timed.findLast(
        ({ event, clock }) =>
          event.kind === 'guard-pull' &&
          event.athlete === foe(me) &&
          play(tenth(event.at)) === play(now.footage) &&
          clock >= Math.min(before.began, k - 10) &&
          clock < Math.min(k + 10, leaves),
      );
      add('takedown', pull?.event.kind === 'guard-pull' && !pull.event.gripped);
    }
    if (from.holder === foe(me) && isTop) {
      if (guards.includes(from.position)) add('sweep');
      if ([...topPins, ...backs].includes(from.position)) add('reversal');
    }
    if (from.holder === me && guards.includes(from.position)) {
      if (passed.includes(now.position)) add('pass');
      if (now.position === 'turtle') add('pass', true);
    }
    const reached = reach(now.position);
    if (reached && !(thrown && reached === 'knee-on-belly') && !(from.holder === me && reach(from.position) === reached)) add(reached);
    if (isTop && me !== wasTop && added.length === 0) doubts.push({ athlete: me, at: now.footage });
  }

  // What is given for it, and when.
  const givenAt = (i: number): number | null => {
    const one = done[i]!;
    let next = -1;
    for (let j = done.length - 1; j > i; j--) {
      const { athlete, dead, pays } = done[j]!;
      if (athlete === one.athlete && !dead && pays === 'sweep') next = j;
    }
    if (
      next > 0 &&
      done[next]!.at <= one.until &&
      done[next]!.at < one.at + sheet.holdTenths &&
      rung[done[next]!.action]! >= rung[one.action]!
    ) {
      const together = givenAt(next);
      if (together !== null) return together;
    }
    return one.until - one.at >= sheet.holdTenths ? one.at + sheet.holdTenths : null;
  };
  const entries: ReferenceEntry[] = [];
  const refused: ReferenceResult['refused'] = [];
  const give = (athlete: string, action: string, at: number, tenth: number, points: number, near: number): void => {
    entries.push({ athlete, action, at, tenth, points, near });
  };
  const refuse = (athlete: string, action: string, at: number): void => {
    refused.push({ athlete, action, at });
  };
  const had: string[] = [];
  done.forEach((one, i) => {
    const { athlete, action } = one;
    const on = ticks[one.at]!.footage;
    const no = (): void => refuse(athlete, action, on);
    if (counts === Infinity || one.dead || one.pays === 'nothing') return no();
    if (one.pays === 'near') return one.at < counts ? no() : give(athlete, action, on, one.at, 0, 1);
    if (one.worth === 0) return no();
    const mine = `${athlete} ${action} ${one.control}`;
    const climbed = ['mount', 'back-mount', 'back-control'].some((above) => had.includes(`${athlete} ${above} ${one.control} paid`));
    if (had.includes(`${mine} paid`) || (action === 'knee-on-belly' && climbed)) return no();
    const at = givenAt(i) ?? one.until;
    if (at < counts) return no();
    if (givenAt(i) !== null) {
      had.push(`${mine} paid`);
      return give(athlete, action, on, at, one.worth, 0);
    }
    if (had.includes(`${mine} near`) || sheet.near === 0) return no();
    had.push(`${mine} near`);
    give(athlete, action, on, at, 0, sheet.near);
  });
  const penalties: Record<string, number> = { client: 0, partner: 0 };
  for (const { event, clock } of timed) {
    if (clock > end) continue;
    const on = tenth(event.at);
    if (event.kind === 'penalty') {
      penalties[event.athlete]! += 1;
      const step = sheet.ladder[Math.min(penalties[event.athlete]!, sheet.ladder.length) - 1] ?? [0, 0];
      const gives = step === 'loss' || clock < counts ? [0, 0] : step;
      if (gives[0]! + gives[1]! > 0) give(foe(event.athlete), 'penalty', on, clock, gives[1]!, gives[0]!);
      else refuse(event.athlete, 'penalty', on);
    }
    if (event.kind === 'guard-pull' && sheet.pullCosts > 0 && counts < Infinity) {
      if (clock >= counts) give(event.athlete, 'guard-pull', on, clock, -sheet.pullCosts, 0);
      else refuse(event.athlete, 'guard-pull', on);
    }
    if (event.kind === 'attempt' && event.close && event.outcome !== 'success') {
      const judged = done.some(
        (one) => one.athlete === event.athlete && one.action === event.technique && !one.dead && clock >= one.at - 30 && clock <= one.until,
      );
      if (judged || clock < counts || counts === Infinity) refuse(event.athlete, event.technique, on);
      else give(event.athlete, event.technique, on, clock, 0, 1);
    }
  }

  const sum = (of: 'points' | 'near') => {
    const total: Record<string, number> = { client: 0, partner: 0 };
    for (const entry of entries) total[entry.athlete]! += entry[of];
    return total;
  };
  const [points, near] = [sum('points'), sum('near')];

  // Each fall with what was given in it.
  const ending = timed.find(({ event, clock }) => event.kind === 'finish' && clock <= end)?.event;
  const closed = startsAgain ? tapped : ending?.kind === 'finish' ? [{ from: 0, finish: ending }] : [];
  const falls = closed
    .filter(({ finish }) => clockOf(finish.at) <= end)
    .map(({ from, finish }, i): ReferenceResult['falls'][number] => {
      const until = clockOf(finish.at);
      const since = i === 0 ? -1 : clockOf(closed[i - 1]!.finish.at);
      const within = (clock: number): boolean => clock > since && clock <= until;
      const both = (of: (athlete: string) => number): Record<string, number> => ({ client: of('client'), partner: of('partner') });
      const given = (of: 'points' | 'near') =>
        both((athlete) => entries.reduce((total, one) => total + (one.athlete === athlete && within(one.tenth) ? one[of] : 0), 0));
      const tries = timed.filter(
        ({ event }) =>
          event.kind === 'attempt' &&
          event.athlete === finish.athlete &&
          event.technique === 'finish' &&
          event.outcome === 'success' &&
          tenth(event.at) >= from &&
          tenth(event.at) <= tenth(finish.at),
      );
      return {
        athlete: finish.athlete,
        from,
        at: tenth(finish.at),
        attackFrom: tries.length > 0 ? tenth(tries.at(-1)!.event.at) : null,
        points: given('points'),
        near: given('near'),
        penalties: both(
          (athlete) => timed.filter(({ event, clock }) => event.kind === 'penalty' && event.athlete === athlete && within(clock)).length,
        ),
      };
    });

  const endedAt = ended.length > 0 ? Math.min(...ended.map(({ event }) => tenth(event.at))) : (all.at(-1)?.footage ?? -1) + 1;
  const result = (winner: string | null, decidedBy: string): ReferenceResult => ({
    winner,
    decidedBy,
    points,
    near,
    penalties,
    entries,
    refused,
    doubts,
    falls,
    endedAt,
  });
  if (!sheet.decides) return result(null, 'not-scored');
  const first = Math.min(...ended.map(({ event }) => event.at));
  const atOnce = ended.filter(({ event }) => event.at === first || clockOf(event.at) === end);
  const won = atOnce.flatMap(({ event }) => (event.kind === 'finish' ? [event.athlete] : []));
  const lost = atOnce.flatMap(({ event }) => (event.kind === 'penalty' ? [event.athlete] : []));
  if (won.length === 1) return result(won[0]!, 'finish');
  if (won.length === 0 && lost.length === 1) return result(foe(lost[0]!), 'disqualification');
  if (won.length + lost.length > 0) return result(null, 'referee');
  const taps = (athlete: string): number => falls.filter((fall) => fall.athlete === athlete).length;
  if (startsAgain && taps('client') !== taps('partner')) return result(taps('client') > taps('partner') ? 'client' : 'partner', 'finish');
  if (points['client'] !== points['partner']) return result(points['client']! > points['partner']! ? 'client' : 'partner', 'points');
  if (near['client'] !== near['partner']) return result(near['client']! > near['partner']! ? 'client' : 'partner', 'near-points');
  if (penalties['client'] !== penalties['partner'])
    return result(penalties['client']! < penalties['partner']! ? 'client' : 'partner', 'penalties');
  return result(null, 'referee');
}
