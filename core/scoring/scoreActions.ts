import type { Athlete } from './athlete.ts';
import { actionWords, reachedText, secondsText } from './actionWords.ts';
import { clockSlack } from './clockSlack.ts';
import type { ReadAction } from './readActions.ts';
import { positionFamily } from '../positions/index.ts';
import type { RuleSheet, ScoredAction } from './ruleSheet.ts';
import type { ClockEntry, Scoring } from './score.ts';

/** Chains only lead upwards: stepping down from mount to knee on belly does not hold the mount. */
const height: Readonly<Record<ScoredAction, number>> = {
  takedown: 0,
  sweep: 0,
  reversal: 0,
  pass: 1,
  'knee-on-belly': 2,
  mount: 3,
  'back-mount': 3,
  'back-control': 3,
};

const heldFor = ({ reached, keptUntil }: ReadAction): number => keptUntil - reached;

/**
 * When each action is given, in bout clock seconds; null: never. One that is followed by a further action before its hold is over is
 * given together with that one, or, where that one is not held, once its own hold is over (docs/domain.md §3, sequence).
 */
export function bankingTimes(actions: readonly ReadAction[], holdSeconds: number): (number | null)[] {
  const banked = actions.map((): number | null => null);
  // From the last to the first: each athlete's next action is the one that was looked at before.
  const nextOf: Record<Athlete, number> = { client: -1, partner: -1 };
  for (let i = actions.length - 1; i >= 0; i--) {
    const action = actions[i]!;
    const held = heldFor(action) >= holdSeconds - clockSlack;
    const next = nextOf[action.athlete];
    const further = actions[next];
    if (action.void === null && action.pays === 'sweep') nextOf[action.athlete] = i;
    const chained =
      further !== undefined &&
      further.reached <= action.keptUntil + clockSlack &&
      further.reached < action.reached + holdSeconds - clockSlack &&
      height[further.action] >= height[action.action];
    banked[i] = (chained ? banked[next]! : null) ?? (held ? action.reached + holdSeconds : null);
  }
  return banked;
}

const aboveKnee = ['mount', 'back-mount', 'back-control'] as const satisfies readonly ScoredAction[];

interface Verdict {
  given: boolean;
  /** What follows "reached mount at 2:14". */
  why: string;
  points?: number;
  near?: number;
}

/** Which of an athlete's actions have paid in a control chain already, and which had their near point. */
interface Paid {
  full: Set<string>;
  near: Set<string>;
}

/** What an action pays; a takedown, where the sheet says so, by where it lands. */
function pointsFor({ points, takedownInto }: RuleSheet, { action, into }: ReadAction): number {
  if (action !== 'takedown' || takedownInto === null) return points[action];
  return positionFamily(into) === 'guard' ? takedownInto.guard : takedownInto.past;
}

/** Coming up out of a way through on a sheet that gives less than a sweep for it. */
function comingUpVerdict({ pays, reached }: ReadAction, countsFrom: number): Verdict {
  if (pays === 'nothing') return { given: false, why: ': coming up from there is worth nothing on this sheet' };
  if (reached < countsFrom - clockSlack) return { given: false, why: ': points do not count yet' };
  return { given: true, why: ': near point', near: 1 };
}

/** What the sheet says to one action that is given at `bankedAt`, in bout clock seconds; null: it was not held. */
function judge({ sheet, countsFrom }: Scoring, action: ReadAction, bankedAt: number | null, paid: Paid): Verdict {
  const points = pointsFor(sheet, action);
  if (sheet.pointsCount === 'never') return { given: false, why: ': this sheet gives no points' };
  if (action.void === 'guard-pulled') return { given: false, why: ', but the other pulled guard: no takedown' };
  if (action.void === 'turtle') {
    const near = action.reached >= countsFrom ? sheet.near.turtle : 0;
    return { given: near > 0, why: `, but the other turned to turtle: no pass${near > 0 ? ', a near point' : ''}`, near };
  }
  if (action.pays !== 'sweep') return comingUpVerdict(action, countsFrom);
  if (points === 0) return { given: false, why: `: a ${actionWords[action.action]} is worth nothing on this sheet` };
  const control = `${action.athlete} ${action.chain}`;
  const once = `${control} ${action.action}`;
  // Down on purpose from what paid already; going up again pays nothing either.
  if (action.action === 'knee-on-belly' && aboveKnee.some((above) => paid.full.has(`${control} ${above}`)))
    return { given: false, why: ': stepped down from what has paid in this control' };
  if (paid.full.has(once)) return { given: false, why: ': paid already in this control; stepping down and up again pays nothing' };
  const early = (bankedAt ?? action.keptUntil) < countsFrom - clockSlack;
  if (bankedAt === null) {
    const short = `, held ${secondsText(heldFor(action))} of ${secondsText(sheet.holdSeconds)}`;
    if (early) return { given: false, why: `${short}: points do not count yet` };
    if (sheet.near.notHeld === 0) return { given: false, why: short };
    if (paid.near.has(once)) return { given: false, why: `${short}; its near point was given already in this control` };
    paid.near.add(once);
    return { given: true, why: `${short}: near point`, near: sheet.near.notHeld };
  }
  if (early) return { given: false, why: ': points do not count yet' };
  paid.full.add(once);
  const chained = bankedAt > action.reached + sheet.holdSeconds + clockSlack || heldFor(action) < sheet.holdSeconds - clockSlack;
  return { given: true, why: chained ? ', and what followed from it was held' : `, held ${secondsText(sheet.holdSeconds)}`, points };
}

/** What the sheet gives for the actions that were read, each once within a control chain; reasons in words. */
export function scoreActions(scoring: Scoring, actions: readonly ReadAction[]): ClockEntry[] {
  const banked = bankingTimes(actions, scoring.sheet.holdSeconds);
  const paid: Paid = { full: new Set(), near: new Set() };
  return actions.map((action, i): ClockEntry => {
    const { given, why, points = 0, near = 0 } = judge(scoring, action, banked[i]!, paid);
    return {
      athlete: action.athlete,
      action: action.action,
      at: action.reached,
      bankedAt: action.void || action.pays !== 'sweep' ? action.reached : (banked[i] ?? action.keptUntil),
      points,
      near,
      given,
      reason: `${reachedText(action)}${why}`,
    };
  });
}
