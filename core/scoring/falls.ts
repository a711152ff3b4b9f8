import { forBoth, type Athlete } from './athlete.ts';
import type { Finish } from './boutClock.ts';
import { clockSlack } from './clockSlack.ts';
import type { BoutSeconds } from '../footage/index.ts';
import type { Fall, ScoreEntry, Scoring } from './score.ts';
import { sumScore } from './sumScore.ts';
import type { TimedBout, TimedThreat } from './timedBout.ts';

/** A tap is coded a little before or after its attack ends, in seconds. */
const tapLeeway = 1;

interface FallEdges {
  from: BoutSeconds;
  finish: Finish;
}

/** Where each fall began and what ended it; what comes after the last finish is none. */
function fallEdges({ bout, clock, over }: Scoring): FallEdges[] {
  if (bout.afterFinish === 'restarts') {
    let from = 0;
    return clock.plays.flatMap(({ from: began, isNewFall, tap }): FallEdges[] => {
      if (isNewFall) from = began;
      return tap && clock.at(tap.at) <= over + clockSlack ? [{ from, finish: tap }] : [];
    });
  }
  const finish = bout.events.find((event): event is Finish => event.kind === 'finish' && clock.at(event.at) <= over + clockSlack);
  return finish ? [{ from: 0, finish }] : [];
}

/** The falls of a bout that was scored; `awards` is what was given, on the footage clock. */
export function fallsOf(scoring: Scoring, awards: readonly ScoreEntry[]): Fall[] {
  const { bout, clock } = scoring;
  const edges = fallEdges(scoring);
  return edges.map(({ from, finish }, i): Fall => {
    // By the bout clock: what is reached as the clock stops for the tap was reached before it.
    const [since, until] = [i === 0 ? -Infinity : clock.at(edges[i - 1]!.finish.at), clock.at(finish.at)];
    const inside = (seconds: BoutSeconds): boolean => clock.at(seconds) > since + clockSlack && clock.at(seconds) <= until + clockSlack;
    const penalties = forBoth(
      (athlete) => bout.events.filter((event) => event.kind === 'penalty' && event.athlete === athlete && inside(event.at)).length,
    );
    return {
      athlete: finish.athlete,
      name: finish.name ?? (finish.technique || threatOf(bout, finish, from)?.name || ''),
      from,
      at: finish.at,
      attackFrom: attackFrom(bout, finish, from),
      score: sumScore(
        awards.filter(({ bankedAt }) => inside(bankedAt)),
        penalties,
      ),
    };
  });
}

/** The threat that a finish ended. */
const threatOf = ({ threats = [] }: Pick<TimedBout, 'threats'>, finish: Finish, since: BoutSeconds): TimedThreat | undefined =>
  threats.findLast(
    ({ athlete, ended, from, to }) =>
      athlete === finish.athlete && ended === 'tap' && from >= since - clockSlack && Math.abs(to - finish.at) <= tapLeeway,
  );

/** When the attack that a finish ended began: that of its threat, else the last try at a finish that worked. */
function attackFrom({ events, threats = [] }: TimedBout, finish: Finish, since: BoutSeconds): BoutSeconds | null {
  const threat = threatOf({ threats }, finish, since);
  if (threat) return threat.from;
  const tries = events.filter(
    (event) =>
      event.kind === 'attempt' &&
      event.athlete === finish.athlete &&
      event.technique === 'finish' &&
      event.outcome === 'success' &&
      event.at >= since - clockSlack &&
      event.at <= finish.at + clockSlack,
  );
  return tries.at(-1)?.at ?? null;
}

/** How many falls each had. */
export const tapsOf = (falls: readonly Pick<Fall, 'athlete'>[]): Record<Athlete, number> =>
  forBoth((athlete) => falls.filter((fall) => fall.athlete === athlete).length);

/** "3 : 1 in taps". */
export const tapsText = (falls: readonly Pick<Fall, 'athlete'>[]): string => {
  const { client, partner } = tapsOf(falls);
  return `${client} : ${partner} in taps`;
};
