import { athletes, otherAthlete, type Athlete } from './athlete.ts';
import type { TimedEvent } from './boutEvent.ts';
import type { BoutClock } from './boutClock.ts';
import { clockSlack } from './clockSlack.ts';
import type { PlayedStretch } from './playedStretches.ts';
import { isGroundControl, isNeutral, isOnTop, positionFamily, type PositionCode } from '../positions/index.ts';
import type { ComingUp, RuleSheet, ScoredAction } from './ruleSheet.ts';
import { fromStanding, isShortWay, isWayThrough, wayInto, wayText, type Origin, type Way } from './waysThrough.ts';

/** What an athlete did that a sheet may give something for, read off the change into a stretch. Times are of the bout clock. */
export interface ReadAction {
  athlete: Athlete;
  action: ScoredAction;
  reached: number;
  /** Until when what was reached was kept: the bout's end at the latest. */
  keptUntil: number;
  /** Number of the athlete's control chain: within one, each action pays once (docs/domain.md §3, no farming). */
  chain: number;
  /** Why nothing is given for it whatever comes after; null: it is given once it is held. */
  void: 'guard-pulled' | 'turtle' | null;
  /** What was reached. */
  into: PositionCode;
  /** What coming up out of a way through pays; everything else pays in full. */
  pays: ComingUp;
  /** The way there in words, for the reason; empty where it was straight. */
  way: string;
}

type WaySheet = Pick<RuleSheet, 'originSeconds' | 'fiftyFifty' | 'entanglement' | 'doublePull'>;
const passedTo: ReadonlySet<PositionCode> = new Set([
  ...(['side-control', 'north-south', 'head-and-arm', 'knee-on-belly', 'mount', 'three-quarter-mount', 'back-mount'] as const),
]);

/** The action that reaching a position is; three-quarter mount counts as mount. */
function reachedAction(position: PositionCode): 'knee-on-belly' | 'mount' | 'back-mount' | 'back-control' | null {
  switch (position) {
    case 'knee-on-belly':
    case 'back-mount':
    case 'back-control':
      return position;
    case 'mount':
    case 'three-quarter-mount':
      return 'mount';
    default:
      return null;
  }
}

/** Whether a position keeps what an action reached, while its athlete holds it. */
function keeps(action: ScoredAction, position: PositionCode): boolean {
  if (action === 'takedown' || action === 'sweep' || action === 'reversal') return isGroundControl(position);
  if (action === 'pass') return passedTo.has(position);
  return reachedAction(position) === action;
}

/** Whether what an action reached is kept in the next stretch, too; never over a tap. */
const goesOn = (next: PlayedStretch | undefined, athlete: Athlete, action: ScoredAction): boolean =>
  next !== undefined && next.begun !== 'start' && next.holder === athlete && keeps(action, next.position);

/** Whether a change ends the control of `athlete`: the other regained guard, neutral ground or the top. */
function changeEndsControl(athlete: Athlete, before: Origin, after: Origin): boolean {
  if (after.holder !== athlete || isNeutral(after.position)) return true;
  return positionFamily(after.position) === 'guard' && !(positionFamily(before.position) === 'guard' && before.holder === athlete);
}

/** Whether the way into a stretch ends it: a short way through does not, a longer one is looked at step by step. */
function endsControl(athlete: Athlete, way: Way, after: PlayedStretch, originSeconds: number): boolean {
  if (way.kind === 'straight') return changeEndsControl(athlete, way.origin, after);
  const steps: Origin[] = isShortWay(way, originSeconds) ? [way.origin, after] : [way.origin, ...way.through, after];
  return steps.some((to, i) => i > 0 && changeEndsControl(athlete, steps[i - 1]!, to));
}

/** A pull that is coded a little early or late still belongs to the change it led to, in seconds of the bout clock. */
const pullLeeway = 1;

interface Pull {
  athlete: Athlete;
  gripped: boolean;
  at: number;
  /** In which play, between two stoppages, it was: what the referee stopped leads nowhere. */
  play: number;
}

/** Whether the one who was taken down had pulled guard, and nobody had gripped for a takedown before. */
function hadPulled(origin: Origin, after: PlayedStretch, pulls: readonly Pull[], clock: BoutClock): boolean {
  if (pulls.length === 0) return false;
  const play = clock.playAt(clock.footageAt(after.from));
  const from = Math.min(origin.from, after.from - pullLeeway);
  const to = Math.min(after.from + pullLeeway, after.to);
  const pull = pulls.findLast(
    (one) => one.athlete === otherAthlete(after.holder!) && one.play === play && one.at >= from - clockSlack && one.at < to - clockSlack,
  );
  return pull !== undefined && !pull.gripped;
}

type Found = [action: ScoredAction, nothing: ReadAction['void'], pays: ComingUp];
/** What is no coming up out of a way through pays what the sheet says for it. */
const inFull: ComingUp = 'sweep';

/** What coming up on top out of a way through is, where it is read by itself and not against what was before. */
function comingUp({ kind }: Way, sheet: WaySheet): ComingUp | null {
  if (kind === 'double-pull') return sheet.doublePull;
  if (kind === 'fifty-fifty') return sheet.fiftyFifty;
  return kind === 'leg-entanglement' ? sheet.entanglement : null;
}

/** Actions of one change, in the order in which they pay. */
function actionsOf(way: Way, after: PlayedStretch, sheet: WaySheet, pulls: readonly Pull[], clock: BoutClock): Found[] {
  const { holder, position } = after;
  if (holder === null) return [];
  const up = comingUp(way, sheet);
  // What was stayed in too long is where they came from.
  const before = way.kind === 'straight' || way.kind === 'origin' ? way.origin : way.through.at(-1)!;
  const found: Found[] = [];
  const other = otherAthlete(holder);
  const family = positionFamily(before.position);
  if (up && isOnTop(position)) found.push(['sweep', null, up]);
  const isTakedown = fromStanding.has(before.position) && isGroundControl(position);
  if (isTakedown) found.push(['takedown', hadPulled(way.origin, after, pulls, clock) ? 'guard-pulled' : null, inFull]);
  if (before.holder === other && isOnTop(position)) {
    if (family === 'guard') found.push(['sweep', null, inFull]);
    if (family === 'pin') found.push(['reversal', null, inFull]);
  }
  if (family === 'guard' && before.holder === holder) {
    if (passedTo.has(position)) found.push(['pass', null, inFull]);
    if (position === 'turtle') found.push(['pass', 'turtle', inFull]);
  }
  const reached = reachedAction(position);
  // A throw straight into knee on belly is a takedown, and no more.
  const isThrown = isTakedown && reached === 'knee-on-belly';
  if (reached && !isThrown && !(before.holder === holder && reachedAction(before.position) === reached))
    found.push([reached, null, inFull]);
  return found;
}

/** Pulls in the order of time. Of several the last one before they went down is the one that led there. */
const pullsOf = (events: readonly TimedEvent[], clock: BoutClock): Pull[] =>
  [...events]
    .sort((a, b) => a.at - b.at)
    .flatMap((event): Pull[] =>
      event.kind === 'guard-pull'
        ? [{ athlete: event.athlete, gripped: event.gripped ?? false, at: clock.at(event.at), play: clock.playAt(event.at) }]
        : [],
    );

/**
 * Reads takedowns, sweeps, passes and the rest off consecutive stretches (docs/domain.md §3), in the order of time. What the referee put in
 * place, and what the bout began in, is nobody's action.
 */
export function readActions(
  stretches: readonly PlayedStretch[],
  events: readonly TimedEvent[],
  clock: BoutClock,
  sheet: WaySheet,
): ReadAction[] {
  const pulls = pullsOf(events, clock);
  const chains: Record<Athlete, number> = { client: 0, partner: 0 };
  const read: ReadAction[] = [];
  stretches.forEach((after, i) => {
    // What a way through leads to is told when it has led there.
    if (after.begun === 'start') {
      if (i > 0) for (const athlete of athletes) chains[athlete] += 1;
      return;
    }
    if (isWayThrough(after.position)) return;
    const way = wayInto(stretches, i, sheet.originSeconds);
    for (const athlete of athletes) if (endsControl(athlete, way, after, sheet.originSeconds)) chains[athlete] += 1;
    const athlete = after.holder;
    if (after.begun !== 'play' || athlete === null) return;
    for (const [action, nothing, pays] of actionsOf(way, after, sheet, pulls, clock)) {
      let last = i;
      while (goesOn(stretches[last + 1], athlete, action)) last += 1;
      read.push({
        athlete,
        action,
        reached: after.from,
        keptUntil: stretches[last]!.to,
        chain: chains[athlete],
        void: nothing,
        into: after.position,
        pays,
        way: wayText(way),
      });
    }
  });
  return read;
}
