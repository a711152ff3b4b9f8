import { actionWords, reachedText, secondsText } from './actionWords.ts';
import { clockSlack } from './clockSlack.ts';
import type { ReadAction } from './readActions.ts';
import type { ScoredAction } from './ruleSheet.ts';
import type { ClockEntry, Scoring } from './score.ts';

/** Chains only lead upwards: stepping down from mount to knee on belly does not hold the mount. */
const height: Readonly<Record<ScoredAction, number>> = {
  takedown: 0, sweep: 0, reversal: 0, pass: 1, 'knee-on-belly': 2, mount: 3, 'back-mount': 3, 'back-control': 3,
}; // prettier-ignore

const heldFor = ({ reached, keptUntil }: ReadAction): number => keptUntil - reached;

/**
 * When each action is given, in bout clock seconds; null: never. One that is followed by a further action before its hold is over is
 * given together with that one, or, where that one is not held, once its own hold is over (domain §3, sequence).
 */
export function bankingTimes(actions: readonly ReadAction[], holdSeconds: number): (number | null)[] {
  const banked = actions.map((): number | null => null);
  for (let i = actions.length - 1; i >= 0; i--) {
    const action = actions[i]!;
    const held = heldFor(action) >= holdSeconds - clockSlack;
    const next = actions.findIndex((other, j) => j > i && other.athlete === action.athlete && other.void === null);
    const further = actions[next];
    const chained =
      further !== undefined &&
      further.reached <= action.keptUntil + clockSlack &&
      further.reached < action.reached + holdSeconds - clockSlack &&
      height[further.action] >= height[action.action];
    banked[i] = (chained ? banked[next]! : null) ?? (held ? action.reached + holdSeconds : null);
  }
  return banked;
}

/** What the sheet gives for the actions that were read, each once within a control chain; reasons in words. */
export function scoreActions({ sheet, countsFrom }: Scoring, actions: readonly ReadAction[]): ClockEntry[] {
  const banked = bankingTimes(actions, sheet.holdSeconds);
  const paid = new Set<string>();
  const nearPaid = new Set<string>();
  return actions.map((action, i): ClockEntry => {
    const { athlete } = action;
    const points = sheet.points[action.action];
    const words = reachedText(action);
    const bankedAt = banked[i] ?? action.keptUntil;
    const entry = (given: boolean, reason: string, worth: Partial<Pick<ClockEntry, 'points' | 'near'>> = {}): ClockEntry => ({
      ...{ athlete, action: action.action, at: action.reached, bankedAt: action.void ? action.reached : bankedAt },
      ...{ points: 0, near: 0, ...worth, given, reason: `${words}${reason}` },
    });
    const once = `${athlete} ${action.chain} ${action.action}`;
    if (sheet.pointsCount === 'never') return entry(false, ': this sheet gives no points');
    if (action.void === 'guard-pulled') return entry(false, ', but the other pulled guard: no takedown');
    if (action.void === 'turtle') {
      const near = action.reached >= countsFrom ? sheet.near.turtle : 0;
      return entry(near > 0, `, but the other turned to turtle: no pass${near > 0 ? ', a near point' : ''}`, { near });
    }
    if (points === 0) return entry(false, `: a ${actionWords[action.action]} is worth nothing on this sheet`);
    if (paid.has(once)) return entry(false, ': paid already in this control; stepping down and up again pays nothing');
    const early = bankedAt < countsFrom - clockSlack ? ': points do not count yet' : null;
    if (banked[i] == null) {
      const short = `, held ${secondsText(heldFor(action))} of ${secondsText(sheet.holdSeconds)}`;
      if (early) return entry(false, `${short}${early}`);
      if (sheet.near.notHeld === 0) return entry(false, short);
      if (nearPaid.has(once)) return entry(false, `${short}; its near point was given already in this control`);
      nearPaid.add(once);
      return entry(true, `${short}: near point`, { near: sheet.near.notHeld });
    }
    if (early) return entry(false, early);
    paid.add(once);
    const chained = bankedAt > action.reached + sheet.holdSeconds + clockSlack || heldFor(action) < sheet.holdSeconds - clockSlack;
    return entry(true, chained ? ', and what followed from it was held' : `, held ${secondsText(sheet.holdSeconds)}`, { points });
  });
}
