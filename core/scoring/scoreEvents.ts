import { otherAthlete, type Athlete } from './athlete.ts';
import type { TimedEvent } from './boutEvent.ts';
import { clockText } from '../footage/index.ts';
import { clockSlack } from './clockSlack.ts';
import type { ReadAction } from './readActions.ts';
import type { PenaltyStep } from './ruleSheet.ts';
import type { ClockEntry, Scoring } from './score.ts';

interface Attempt {
  athlete: Athlete;
  technique: string;
}

const ordinals = ['first', 'second', 'third', 'fourth'] as const;

/** An attempt marked close at the time of the same action, reached and lost again within this many seconds, is that action. */
const sameTry = 3;

/** Whether what an attempt reached is among the actions, and is judged there. */
const isJudged = (actions: readonly ReadAction[], { athlete, technique }: Attempt, at: number): boolean =>
  actions.some(
    (action) =>
      action.athlete === athlete &&
      action.action === technique &&
      action.void === null &&
      at >= action.reached - sameTry - clockSlack &&
      at <= action.keptUntil + clockSlack,
  );

/** An attempt that was close and did not succeed: how many near points, and why. */
function judgeAttempt(
  { sheet, countsFrom }: Scoring,
  attempt: Attempt,
  at: number,
  actions: readonly ReadAction[],
): [near: number, why: string] {
  if (sheet.pointsCount === 'never') return [0, ': this sheet gives no points'];
  if (at < countsFrom - clockSlack) return [0, ': points do not count yet'];
  if (isJudged(actions, attempt, at)) return [0, ': what it reached is judged by itself'];
  return [sheet.near.close, sheet.near.close > 0 ? ': near point' : ': this sheet gives nothing for it'];
}

function scoreAttempt(scoring: Scoring, attempt: Attempt, at: number, actions: readonly ReadAction[]): ClockEntry {
  const { athlete, technique } = attempt;
  const [near, why] = judgeAttempt(scoring, attempt, at, actions);
  const reason = `${technique.replaceAll('-', ' ')} attempt at ${clockText(at)} was close${why}`;
  return { athlete, action: technique, at, bankedAt: at, points: 0, near, given: near > 0, reason };
}

/** The step of the ladder that an athlete's n-th penalty is, from 1; the last one repeats. */
const stepOf = (penalties: readonly PenaltyStep[], n: number): PenaltyStep =>
  penalties[Math.min(n, penalties.length) - 1] ?? { near: 0, points: 0, loss: false };

function scorePenalty({ sheet, countsFrom }: Scoring, at: number, athlete: Athlete, count: number): ClockEntry {
  const step = stepOf(sheet.penalties, count);
  const words = `${ordinals[count - 1] ?? `${count}th`} penalty of the ${athlete} at ${clockText(at)}`;
  const counts = at >= countsFrom - clockSlack;
  const [points, near] = counts ? [step.points, step.near] : [0, 0];
  const given = points + near > 0;
  const gives = [points > 0 && `${points} points`, near > 0 && `${near} near ${near === 1 ? 'point' : 'points'}`]
    .filter(Boolean)
    .join(' and ');
  const plain = step.loss ? 'the bout is lost' : counts || step.points + step.near === 0 ? 'recorded' : 'recorded; points do not count yet';
  return {
    // What it gives goes to the other; what it only records stays with the one who got it.
    athlete: given ? otherAthlete(athlete) : athlete,
    action: 'penalty',
    at,
    bankedAt: at,
    points,
    near,
    given,
    reason: `${words}: ${given ? gives : plain}`,
  };
}

/** Whether an event can give or cost anything by itself. */
const matters = (event: TimedEvent): boolean =>
  event.kind === 'attempt' ? event.close === true && event.outcome !== 'success' : event.kind === 'penalty' || event.kind === 'guard-pull';

/** What events give or cost by themselves: attempts that were close, penalties, pulling guard. Those after the bout's end do not. */
export function scoreEvents(
  scoring: Scoring,
  actions: readonly ReadAction[],
): { entries: ClockEntry[]; penalties: Record<Athlete, number> } {
  const { bout, sheet, clock, over, countsFrom } = scoring;
  const penalties = { client: 0, partner: 0 };
  const entries: ClockEntry[] = [];
  for (const event of bout.events.filter(matters).sort((a, b) => a.at - b.at)) {
    const at = clock.at(event.at);
    if (at > over + clockSlack) break;
    const instant = event.at;
    if (event.kind === 'attempt') entries.push({ ...scoreAttempt(scoring, event, at, actions), instant });
    if (event.kind === 'penalty') {
      penalties[event.athlete] += 1;
      entries.push({ ...scorePenalty(scoring, at, event.athlete, penalties[event.athlete]), instant });
    }
    if (event.kind === 'guard-pull' && sheet.guardPullCosts > 0 && sheet.pointsCount !== 'never') {
      const costs = at >= countsFrom - clockSlack;
      entries.push({
        athlete: event.athlete,
        action: 'guard-pull',
        at,
        bankedAt: at,
        instant,
        near: 0,
        given: costs,
        points: costs ? -sheet.guardPullCosts : 0,
        reason: `pulled guard at ${clockText(at)}: ${costs ? `costs ${sheet.guardPullCosts}` : 'points do not count yet, so it costs nothing'}`,
      });
    }
  }
  return { entries, penalties };
}
