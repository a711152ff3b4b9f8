import { assertNever } from '../never/index.ts';
import { athletes, otherAthlete, type Athlete } from './athlete.ts';
import { clockText } from '../footage/index.ts';
import { actionWords } from './actionWords.ts';
import { boutClock } from './boutClock.ts';
import { leaderOf } from './decideBout.ts';
import { positionFamily } from '../positions/index.ts';
import { scoredActions, type RuleSheet, type ScoredAction } from './ruleSheet.ts';
import type { BoutScore, Score } from './score.ts';
import { scoreAt, withPoints } from './scoreAt.ts';
import type { TimedBout, TimedSpan } from './timedBout.ts';

/** What one more score, or a chain of two, would do. */
export interface StakesAction {
  athlete: Athlete;
  action: ScoredAction;
  /** What follows from it without a break, of a chain of two; null of a single action. */
  then: ScoredAction | null;
  points: number;
  /** Who would then lead; null: nobody. */
  leader: Athlete | null;
  /** Whether it can be done from the present position: of a single action in one change, of a chain in two. */
  fromHere: boolean;
}

export interface Stakes {
  score: Score;
  /** Bout clock seconds. */
  clock: number;
  /** Null where nobody knows how long it was meant to be: the picture's end tells nothing. */
  secondsLeft: number | null;
  leader: Athlete | null;
  /**
   * For the client: ahead, and neither a single action of the partner nor a chain of two from here takes the lead away; level, or ahead
   * and one would; behind. Null where the sheet gives no points or the bout is over.
   */
  state: 'safe' | 'knife-edge' | 'must-score' | null;
  /** The last seconds of the bout: shown strongly. */
  strong: boolean;
  actions: StakesAction[];
  /** Chains of two that follow from here and change who leads. */
  chains: StakesAction[];
  /** The fewest points that change who leads, by the one who is behind; level, by either: one action, or where none does, a chain. */
  cheapest: StakesAction | null;
  /** A question to the coach, not an order; null where nothing hangs on it. */
  question: string | null;
}

/** Stakes are shown strongly when so many seconds are left (default). */
export const strongSeconds = 30;
/** The coach is asked when so many seconds are left (default). */
export const askingSeconds = 60;

/** What may follow an action without a break. A takedown straight into knee on belly is a takedown alone. */
const followUps: Readonly<Record<ScoredAction, readonly ScoredAction[]>> = {
  takedown: ['pass', 'mount', 'back-control'],
  sweep: ['pass', 'knee-on-belly', 'mount', 'back-control'],
  reversal: ['knee-on-belly', 'mount', 'back-control'],
  pass: ['knee-on-belly', 'mount', 'back-mount', 'back-control'],
  'knee-on-belly': ['mount', 'back-control'],
  mount: ['back-mount', 'back-control'],
  'back-mount': ['back-control'],
  'back-control': ['mount'],
};

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

const fewestFirst = (a: StakesAction, b: StakesAction): number =>
  Number(a.then !== null) - Number(b.then !== null) || a.points - b.points || Number(b.fromHere) - Number(a.fromHere);

/** "sweep (2)", "sweep into mount (6)". */
export const stakesActionWords = ({ action, then, points }: StakesAction): string =>
  `${actionWords[action]}${then ? ` into ${actionWords[then]}` : ''} (${points})`;

/** As it is asked: what a single one pays every coach knows. */
const stakesWords = (of: StakesAction): string => (of.then ? stakesActionWords(of) : actionWords[of.action]);

/**
 * Whether anybody would ask: near the end; or before it where the one who holds the other down has an action that takes the lead outright.
 * From the feet or a guard everything may happen at any time.
 */
const matters = ({ secondsLeft, leader, actions }: Omit<Stakes, 'question'>, span: TimedSpan | undefined): boolean =>
  (secondsLeft !== null && secondsLeft <= askingSeconds) ||
  (span !== undefined &&
    positionFamily(span.position) === 'pin' &&
    leader !== null &&
    actions.some(
      (action) => action.fromHere && action.athlete === span.holder && action.leader === action.athlete && action.athlete !== leader,
    ));

/** Worded as a question: the coach judges, the product does not order. */
function questionOf(stakes: Omit<Stakes, 'question'>, span: TimedSpan | undefined): string | null {
  const { state, score, secondsLeft, leader, actions, chains } = stakes;
  if (state === null || state === 'safe' || !matters(stakes, span)) return null;
  const left = secondsLeft === null ? '' : `, ${clockText(secondsLeft)} left`;
  const gap = Math.abs(score.client.points - score.partner.points);
  const by = gap > 0 ? `by ${gap}` : 'by less than a point';
  /** The least from here that changes the lead; of chains what takes it outright goes first. */
  const turns = (athlete: Athlete): StakesAction | undefined =>
    [...actions.filter((action) => action.fromHere && action.leader !== leader), ...chains]
      .filter((action) => action.athlete === athlete)
      .sort((a, b) => Number(a.then !== null && a.leader === null) - Number(b.then !== null && b.leader === null) || fewestFirst(a, b))[0];
  const [own, threat] = [turns('client'), turns('partner')];
  if (state === 'must-score')
    return own
      ? `Behind ${by}${left}: would a ${stakesWords(own)} have been the way back?`
      : `Behind ${by}${left}: nothing from here turns it. Was the time before used?`;
  const lead = leader === null ? `Level${left}` : `Ahead ${by}${left}`;
  // Ahead one need not score: what one tries is weighed against what it opens.
  const tried = own ?? actions.filter((action) => action.athlete === 'client' && action.fromHere).sort(fewestFirst)[0];
  if (tried && threat) return `${lead}: was trying for a ${stakesWords(tried)} worth the risk of a ${stakesWords(threat)}?`;
  if (threat) return `${lead}: was enough done against a ${stakesWords(threat)}?`;
  return leader === null && own ? `${lead}: was this the time for a ${stakesWords(own)}?` : null;
}

/** What one athlete might do next by a sheet, and who would lead then: single actions, and chains of two from here. */
function possibleOf(sheet: RuleSheet, score: Score, span: TimedSpan | undefined, athlete: Athlete): StakesAction[] {
  const one = (action: ScoredAction, then: ScoredAction | null): StakesAction => {
    const points = sheet.points[action] + (then ? sheet.points[then] : 0);
    return {
      athlete,
      action,
      then,
      points,
      leader: leaderOf(sheet, withPoints(score, athlete, points))?.athlete ?? null,
      fromHere: span !== undefined && canFollow(span, athlete, action),
    };
  };
  const singles = scoredActions.filter((action) => sheet.points[action] > 0).map((action) => one(action, null));
  const chains = scoredActions.flatMap((action) =>
    followUps[action].filter((then) => sheet.points[then] > 0).map((then) => one(action, then)),
  );
  return [...singles, ...chains.filter(({ fromHere }) => fromHere)];
}

function stateOf(leader: Athlete | null, turning: readonly StakesAction[]): NonNullable<Stakes['state']> {
  if (leader === 'partner') return 'must-score';
  return leader === null || turning.some(({ athlete }) => athlete === 'partner') ? 'knife-edge' : 'safe';
}

/**
 * What hangs on the next score at a second of the footage clock since the bout's start (docs/domain.md §4). `result` is the score as the
 * coach sees it.
 */
export function stakesAt(bout: TimedBout, sheet: RuleSheet, result: BoutScore, seconds: number): Stakes {
  const clock = boutClock(bout);
  const score = scoreAt(bout, result, seconds);
  const now = clock.at(seconds);
  const length = bout.clockSeconds ?? (bout.openEnd ? null : clock.total);
  const secondsLeft = length === null ? null : Math.max(0, length - now);
  const leader = leaderOf(sheet, score)?.athlete ?? null;
  const span = bout.spans.findLast(({ from }) => from <= seconds);
  const counts = sheet.decides && sheet.pointsCount !== 'never' && seconds < result.endedAt;
  const possible = counts ? athletes.flatMap((athlete) => possibleOf(sheet, score, span, athlete)) : [];
  const turning = possible.filter((action) => action.leader !== leader);
  const behind = leader === null ? null : otherAthlete(leader);
  const stakes: Omit<Stakes, 'question'> = {
    score,
    clock: now,
    secondsLeft,
    leader,
    state: counts ? stateOf(leader, turning) : null,
    strong: counts && secondsLeft !== null && secondsLeft <= strongSeconds,
    actions: possible.filter(({ then }) => then === null),
    chains: turning.filter(({ then }) => then !== null),
    cheapest: turning.filter(({ athlete }) => behind === null || athlete === behind).sort(fewestFirst)[0] ?? null,
  };
  return { ...stakes, question: questionOf(stakes, span) };
}
