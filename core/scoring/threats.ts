import type { BoutSeconds, ClockSeconds, FrameIndex } from '../footage/index.ts';
import { leanOfSpan, type PositionValues } from '../positions/index.ts';
import { techniqueNamed } from '../techniques/index.ts';
import { boutClock } from './boutClock.ts';
import { clockSlack } from './clockSlack.ts';
import { playedStretches } from './playedStretches.ts';
import type { BoutScore } from './score.ts';
import type { TimedBout, TimedThreat } from './timedBout.ts';

/** A finishing attack on frames: from inclusive, to exclusive. `lockedFrame`: from when it was tight. */
export interface FrameThreat extends Omit<TimedThreat, 'from' | 'to' | 'lockedAt'> {
  fromFrame: FrameIndex;
  lockedFrame?: FrameIndex;
  toFrame: FrameIndex;
}

export const timedThreat = (
  { fromFrame, lockedFrame, toFrame, ...threat }: FrameThreat,
  since: (frame: FrameIndex) => BoutSeconds,
): TimedThreat => ({
  ...threat,
  from: since(fromFrame),
  to: since(toFrame),
  ...(lockedFrame !== undefined && { lockedAt: since(lockedFrame) }),
});

/** What an attack bought is what changed within so many seconds of the bout clock after its end (docs/domain.md §1, threats). */
const boughtWithin = 10;
/** A tap that comes later than so many seconds after it was tight is said, kindly (default). */
export const lateTapSeconds = 3;

/** What came of one finishing attack. */
export interface ThreatFacts {
  threat: TimedThreat;
  /** What it is called, by its first name in the table of techniques. */
  name: string;
  /** From when it was tight to its end, on the bout clock; 0 where it never was. */
  dangerSeconds: ClockSeconds;
  /** What it won the attacker besides the finish: position value, −200 … 200, and points. */
  bought: { value: number; points: number };
  /** Whether the tap came later than the limit. */
  lateTap: boolean;
}

/** What an attack is called wherever it is counted. */
export const calledBy = (name: string): string => techniqueNamed(name)?.name ?? name;

/** What came of each threat of a bout, in the order of time. `awards`: as the bout was scored. */
export function threatFacts(
  bout: TimedBout,
  { awards }: Pick<BoutScore, 'awards'>,
  { values, limit = lateTapSeconds }: { values?: PositionValues; limit?: number } = {},
): ThreatFacts[] {
  const clock = boutClock(bout);
  const stretches = playedStretches(bout.spans, clock);
  const leanAt = (now: ClockSeconds): number => {
    const there = stretches.findLast(({ from }) => from <= now + clockSlack);
    return there ? leanOfSpan(there, values) : 0;
  };
  return [...(bout.threats ?? [])]
    .sort((a, b) => a.from - b.from)
    .map((threat): ThreatFacts => {
      const { athlete, from, to, lockedAt, ended } = threat;
      const sign = athlete === 'client' ? 1 : -1;
      const [began, end] = [clock.at(from), clock.at(to)];
      const until = Math.min(end + boughtWithin, clock.total);
      const dangerSeconds = lockedAt === undefined ? 0 : Math.max(0, end - clock.at(lockedAt));
      const paid = awards.filter(({ at }) => clock.at(at) > began + clockSlack && clock.at(at) <= until + clockSlack);
      const points = paid.reduce((sum, award) => sum + (award.athlete === athlete ? award.points : -award.points), 0);
      return {
        ...{ threat, name: calledBy(threat.name), dangerSeconds },
        // Where it ended the fall there is no afterwards to it.
        bought: ended === 'tap' ? { value: 0, points: 0 } : { value: sign * (leanAt(until) - leanAt(began)), points },
        lateTap: ended === 'tap' && dangerSeconds > limit + clockSlack,
      };
    });
}

/** A late tap, said kindly to the one who tapped. */
export const lateTapWords = ({ threat, name, dangerSeconds }: ThreatFacts): string =>
  `${name}: tight for ${Math.round(dangerSeconds)} s before the tap. Tap when it is tight; the round goes on, a joint does not.`.replace(
    /^./,
    (first) => first.toUpperCase(),
  ) + (threat.athlete === 'client' ? ' Give your partner the time to.' : '');
