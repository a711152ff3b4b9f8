import { assertNever } from '../never/index.ts';
import { otherAthlete, type Athlete } from './athlete.ts';
import { clockText } from '../footage/index.ts';
import { actionWords } from './actionWords.ts';
import { boutClock } from './boutClock.ts';
import { leaderOf } from './decideBout.ts';
import { positionFamily } from './position.ts';
import { scoredActions, type RuleSheet, type ScoredAction } from './ruleSheet.ts';
import type { BoutScore, Score } from './score.ts';
import { scoreAt, withPoints } from './scoreAt.ts';
import type { TimedBout, TimedSpan } from './timedBout.ts';

/** What one more score would do. */
export interface StakesAction {
  athlete: Athlete;
  action: ScoredAction;
  points: number;
  /** Who would then lead; null: nobody. */
  leader: Athlete | null;
  /** Whether one change from the present position is this action. */
  fromHere: boolean;
}

export interface Stakes {
  score: Score;
  /** Bout clock seconds. */
  clock: number;
  secondsLeft: number;
  leader: Athlete | null;
  /**
   * For the client: ahead and no single action of the partner takes the lead away; level, or ahead and one would; behind. Null where
   * the sheet gives no points or the bout is over.
   */
  state: 'safe' | 'knife-edge' | 'must-score' | null;
  /** The last seconds of the bout: shown strongly. */
  strong: boolean;
  actions: StakesAction[];
  /** The action of fewest points that changes who leads, by the one who is behind; level, by either. */
  cheapest: StakesAction | null;
  /** A question to the coach, not an order; null where nothing hangs on it. */
  question: string | null;
}

/** Stakes are shown strongly when so many seconds are left (default). */
export const strongSeconds = 30;

/** Whether an athlete could do this as the next change from where they are. */
export function canFollow(span: Pick<TimedSpan, 'position' | 'holder'>, athlete: Athlete, action: ScoredAction): boolean {
  const { position, holder } = span;
  const family = positionFamily(position);
  const holds = holder === athlete;
  switch (action) {
    case 'takedown':
      return ['standing', 'clinch', 'rear-clinch'].includes(position);
    case 'sweep':
      return family === 'guard' && !holds;
    case 'reversal':
      return family === 'pin' && !holds;
    case 'pass':
      return family === 'guard' && holds;
    // From the guard it is the guard player who takes the back.
    case 'back-control':
      return position !== action && (family === 'guard' ? !holds : holds);
    case 'mount':
      return holds && family === 'pin' && position !== 'mount' && position !== 'three-quarter-mount';
    case 'knee-on-belly':
    case 'back-mount':
      return holds && family === 'pin' && position !== action;
    default:
      return assertNever(action);
  }
}

const fewestFirst = (a: StakesAction, b: StakesAction): number => a.points - b.points || Number(b.fromHere) - Number(a.fromHere);

/** Worded as a question: the coach judges, the product does not order. */
function questionOf({ state, score, secondsLeft, leader, actions, cheapest }: Omit<Stakes, 'question'>): string | null {
  if (state === null || state === 'safe' || !cheapest) return null;
  const left = `${clockText(secondsLeft)} left`;
  const gap = Math.abs(score.client.points - score.partner.points);
  const by = gap > 0 ? `by ${gap}` : 'by less than a point';
  const first = (athlete: Athlete): string | null => {
    const found = actions.filter((action) => action.athlete === athlete && action.fromHere).sort(fewestFirst)[0];
    return found ? actionWords[found.action] : null;
  };
  const [own, threat] = [first('client'), first('partner')];
  if (state === 'must-score') return `Behind ${by}, ${left}: would a ${own ?? actionWords[cheapest.action]} have been the way back?`;
  const lead = leader === null ? `Level, ${left}` : `Ahead ${by}, ${left}`;
  if (own && threat) return `${lead}: was trying for a ${own} worth the risk of a ${threat}?`;
  if (threat) return `${lead}: was enough done against a ${threat}?`;
  return own ? `${lead}: was this the time for a ${own}?` : null;
}

/** What hangs on the next score at a second of the footage clock since the bout's start (docs/domain.md §4). */
export function stakesAt(bout: TimedBout, sheet: RuleSheet, result: BoutScore, seconds: number): Stakes {
  const clock = boutClock(bout);
  const score = scoreAt(bout, result, seconds);
  const now = clock.at(seconds);
  const secondsLeft = Math.max(0, (bout.clockSeconds ?? clock.total) - now);
  const leader = leaderOf(sheet, score)?.athlete ?? null;
  const span = bout.spans.findLast(({ from }) => from <= seconds);
  const counts = sheet.decides && sheet.pointsCount !== 'never' && seconds < result.endedAt;
  const actions = !counts
    ? []
    : (['client', 'partner'] as const).flatMap((athlete) =>
        scoredActions
          .filter((action) => sheet.points[action] > 0)
          .map((action): StakesAction => {
            const points = sheet.points[action];
            const after = leaderOf(sheet, withPoints(score, athlete, points))?.athlete ?? null;
            return { athlete, action, points, leader: after, fromHere: span !== undefined && canFollow(span, athlete, action) };
          }),
      );
  const threats = actions.filter((action) => action.athlete === 'partner' && action.leader !== leader);
  const state: Stakes['state'] = !counts
    ? null
    : leader === 'partner'
      ? 'must-score'
      : leader === null || threats.length > 0
        ? 'knife-edge'
        : 'safe';
  const behind = leader === null ? null : otherAthlete(leader);
  const changing = actions.filter((action) => (behind === null || action.athlete === behind) && action.leader !== leader);
  const cheapest = [...changing].sort(fewestFirst)[0] ?? null;
  const stakes: Omit<Stakes, 'question'> = {
    score,
    clock: now,
    secondsLeft,
    leader,
    state,
    strong: counts && secondsLeft <= strongSeconds,
    actions,
    cheapest,
  };
  return { ...stakes, question: questionOf(stakes) };
}
