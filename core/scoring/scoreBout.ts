import { otherAthlete, type Athlete } from './athlete.ts';
import { boutClock, type BoutClock } from './boutClock.ts';
import { clockSlack } from './clockSlack.ts';
import type { BoutSeconds, ClockSeconds } from '../footage/index.ts';
import { decideBout } from './decideBout.ts';
import { fallsOf, tapsOf } from './falls.ts';
import { forbiddenFinishes, unexplainedTops } from './doubts.ts';
import { playedStretches } from './playedStretches.ts';
import { readActions } from './readActions.ts';
import type { RuleSheet } from './ruleSheet.ts';
import { scoreActions } from './scoreActions.ts';
import { scoreEvents } from './scoreEvents.ts';
import type { BoutScore, ClockEntry, ScoreEntry, Scoring } from './score.ts';
import { sumScore } from './sumScore.ts';
import type { TimedBout } from './timedBout.ts';

/** From when points count on a sheet, in bout clock seconds. */
function countsFrom(sheet: RuleSheet, clockLength: number): number {
  if (sheet.pointsCount === 'never') return Infinity;
  return sheet.pointsCount === 'second-half' ? clockLength / 2 : 0;
}

interface Ending {
  over: ClockSeconds;
  endedAt: BoutSeconds;
  finish: Athlete[];
  lost: Athlete[];
}

/** When the bout was over and by whom it was ended at once: by a finish, or by the last step of the penalties. */
function ending(bout: TimedBout, sheet: RuleSheet, clock: BoutClock): Ending {
  const lastStep = sheet.penalties.findIndex(({ loss }) => loss);
  const counts = { client: 0, partner: 0 };
  let end = { over: clock.total, endedAt: clock.footageAt(clock.total), finish: [] as Athlete[], lost: [] as Athlete[] };
  for (const event of bout.events) {
    const at = clock.at(event.at);
    // What falls on the same instant is judged together.
    const decided = end.finish.length + end.lost.length > 0;
    if (decided && at > end.over + clockSlack) break;
    const then = { over: at, endedAt: decided ? end.endedAt : event.at };
    if (event.kind === 'finish' && bout.afterFinish !== 'restarts') end = { ...end, ...then, finish: [...end.finish, event.athlete] };
    if (event.kind !== 'penalty') continue;
    counts[event.athlete] += 1;
    if (lastStep >= 0 && counts[event.athlete] === lastStep + 1) end = { ...end, ...then, lost: [...end.lost, event.athlete] };
  }
  return end;
}

/**
 * Scores a coded bout by a rule sheet (docs/domain.md §3). Every award and every refusal carries its reason. The spans must tile the bout
 * up to where they end; what is after a finish does not count.
 */
export function scoreBout(coded: TimedBout, sheet: RuleSheet): BoutScore {
  // In order once: whoever sorts them again below finds nothing to do.
  const bout = { ...coded, events: [...coded.events].sort((a, b) => a.at - b.at) };
  const clock = boutClock(bout);
  const { over, endedAt, finish, lost } = ending(bout, sheet, clock);
  const scoring: Scoring = { bout, sheet, clock, over, countsFrom: countsFrom(sheet, bout.clockSeconds ?? clock.total) };
  const stretches = playedStretches(bout.spans, clock)
    .filter(({ from }) => from < over - clockSlack)
    .map((stretch) => (stretch.to > over ? { ...stretch, to: over } : stretch));
  const actions = readActions(stretches, bout.events, clock, sheet);
  const { entries: byEvents, penalties } = scoreEvents(scoring, actions);
  const inFootage = ({ athlete, action, at, bankedAt, points, near, reason, instant }: ClockEntry): ScoreEntry => ({
    athlete,
    action,
    at: instant ?? clock.footageAt(at),
    bankedAt: instant ?? clock.footageAt(bankedAt),
    points,
    near,
    reason,
  });
  const entries = [...scoreActions(scoring, actions), ...byEvents];
  const awards = entries
    .filter(({ given }) => given)
    .sort(byBanking)
    .map(inFootage);
  const score = sumScore(awards, penalties);
  const falls = fallsOf(scoring, awards);
  return {
    score,
    ...decideBout(sheet, score, { finishedBy: finish, wonByPenalties: lost.map(otherAthlete), taps: tapsOf(falls) }),
    awards,
    refusals: entries
      .filter(({ given }) => !given)
      .sort(byReaching)
      .map(inFootage),
    falls,
    doubts: [...unexplainedTops(stretches, actions, clock), ...forbiddenFinishes(bout, sheet, endedAt)].sort((a, b) => a.at - b.at),
    endedAt,
  };
}

const clientFirst = (a: ClockEntry, b: ClockEntry): number => Number(a.athlete === 'partner') - Number(b.athlete === 'partner');
const byBanking = (a: ClockEntry, b: ClockEntry): number => a.bankedAt - b.bankedAt || a.at - b.at || clientFirst(a, b);
const byReaching = (a: ClockEntry, b: ClockEntry): number => a.at - b.at || clientFirst(a, b);
