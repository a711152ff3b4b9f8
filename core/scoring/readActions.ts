import { otherAthlete, type Athlete } from './athlete.ts';
import type { TimedEvent } from './boutEvent.ts';
import type { BoutClock } from './boutClock.ts';
import { clockSlack } from './clockSlack.ts';
import type { PlayedStretch } from './playedStretches.ts';
import { isGroundControl, isNeutral, isOnTop, positionFamily, type PositionCode } from './position.ts';
import type { ScoredAction } from './ruleSheet.ts';

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
}

const fromStanding: ReadonlySet<PositionCode> = new Set(['standing', 'clinch', 'rear-clinch']);
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

/** Whether a change ends the control of `athlete`: the other regained guard, neutral ground or the top. */
function endsControl(athlete: Athlete, before: PlayedStretch, after: PlayedStretch): boolean {
  if (after.holder !== athlete || isNeutral(after.position)) return true;
  return positionFamily(after.position) === 'guard' && !(positionFamily(before.position) === 'guard' && before.holder === athlete);
}

/** A pull that is coded a little late still belongs to the change it led to, in seconds of the bout clock. */
const latePull = 1;

interface Pull {
  athlete: Athlete;
  gripped: boolean;
  at: number;
}

/** Actions of one change, in the order in which they pay: [action, void]. */
function actionsOf(before: PlayedStretch, after: PlayedStretch, pulls: readonly Pull[]): [ScoredAction, ReadAction['void']][] {
  const { holder, position } = after;
  if (holder === null) return [];
  const found: [ScoredAction, ReadAction['void']][] = [];
  const other = otherAthlete(holder);
  const family = positionFamily(before.position);
  if (fromStanding.has(before.position) && isGroundControl(position)) {
    const pull = pulls.findLast(
      ({ athlete, at }) =>
        athlete === other && at >= before.from - clockSlack && at < Math.min(after.from + latePull, after.to) - clockSlack,
    );
    found.push(['takedown', pull && !pull.gripped ? 'guard-pulled' : null]);
  }
  if (before.holder === other && isOnTop(position)) {
    if (family === 'guard') found.push(['sweep', null]);
    if (family === 'pin') found.push(['reversal', null]);
  }
  if (family === 'guard' && before.holder === holder) {
    if (passedTo.has(position)) found.push(['pass', null]);
    if (position === 'turtle') found.push(['pass', 'turtle']);
  }
  const reached = reachedAction(position);
  if (reached && !(before.holder === holder && reachedAction(before.position) === reached)) found.push([reached, null]);
  return found;
}

/**
 * Reads takedowns, sweeps, passes and the rest off consecutive stretches (docs/domain.md §3), in the order of time. What the referee put in
 * place, and what the bout began in, is nobody's action.
 */
export function readActions(stretches: readonly PlayedStretch[], events: readonly TimedEvent[], clock: BoutClock): ReadAction[] {
  // Of several pulls the last one before they went down is the one that led there.
  const pulls = [...events]
    .sort((a, b) => a.at - b.at)
    .flatMap((event): Pull[] =>
      event.kind === 'guard-pull' ? [{ athlete: event.athlete, gripped: event.gripped ?? false, at: clock.at(event.at) }] : [],
    );
  const chains: Record<Athlete, number> = { client: 0, partner: 0 };
  const read: ReadAction[] = [];
  stretches.forEach((after, i) => {
    const before = stretches[i - 1];
    if (!before) return;
    for (const athlete of ['client', 'partner'] as const) if (endsControl(athlete, before, after)) chains[athlete] += 1;
    if (after.begun !== 'play' || after.holder === null) return;
    for (const [action, nothing] of actionsOf(before, after, pulls)) {
      let last = i;
      while (stretches[last + 1] && stretches[last + 1]!.holder === after.holder && keeps(action, stretches[last + 1]!.position)) last += 1;
      const athlete = after.holder;
      read.push({ athlete, action, reached: after.from, keptUntil: stretches[last]!.to, chain: chains[athlete], void: nothing });
    }
  });
  return read;
}
