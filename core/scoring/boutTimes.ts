import {
  frameAtSeconds,
  secondsOfEdge,
  timeSlack,
  type BoutSeconds,
  type ClockSeconds,
  type FrameIndex,
  type FrameTable,
} from '../footage/index.ts';
import type { FrameEvent } from './boutEvent.ts';
import { boutClock, type BoutClock } from './boutClock.ts';
import { correctedBout, correctedScore, type ScoreOverride } from './overrides.ts';
import type { Span } from '../positions/index.ts';
import type { RuleSheet } from './ruleSheet.ts';
import type { BoutScore } from './score.ts';
import type { CorrectedScore } from './overrides.ts';
import { scoreBout } from './scoreBout.ts';
import type { Athletic } from './legality.ts';
import { timedThreat, type FrameThreat } from './threats.ts';
import type { AfterFinish, TimedBout } from './timedBout.ts';

/** A bout as it lies in its footage: from inclusive, to exclusive. */
export interface FramedBout {
  fromFrame: FrameIndex;
  toFrame: FrameIndex;
  /** How long it was meant to be, in seconds. */
  lengthSeconds: number | null;
  spans: readonly Span[];
  events: readonly FrameEvent[];
  threats?: readonly FrameThreat[];
  /** Null where the bout itself does not say. */
  afterFinish?: AfterFinish | null;
}

/** The times of a bout of footage: the one way from its frames to seconds, and back. */
export interface BoutTimes {
  /** Seconds since the bout's start of a frame; below 0 before it. */
  since: (frame: FrameIndex) => BoutSeconds;
  /** The frame that is shown at a second since the bout's start; of the time of a frame just that frame. */
  frameAt: (since: BoutSeconds) => FrameIndex;
  timed: TimedBout;
  clock: BoutClock;
}

/** What a bout goes by where it does not say so itself. */
export interface BoutUsage {
  /** How long it was meant to be; null where nobody knows. */
  clockSeconds: ClockSeconds | null;
  afterFinish: AfterFinish;
  people?: TimedBout['people'];
}

/**
 * What a bout goes by where it does not say so itself (docs/domain.md §2): as long as the client said at intake, else as the sheet says; a
 * match ends with a finish, every other round starts again. `client`: who they are, where what is allowed is asked.
 */
export const boutUsage = (
  said: { lengthMinutes: number | null; kind: string },
  { boutSeconds }: Pick<RuleSheet, 'boutSeconds'>,
  client: Athletic | null = null,
): BoutUsage => ({
  clockSeconds: said.lengthMinutes === null ? boutSeconds : said.lengthMinutes * 60,
  afterFinish: said.kind === 'match' ? 'ends' : 'restarts',
  ...(client && { people: { client: { age: client.age, level: client.level }, partner: { age: null, level: null } } }),
});

/** A bout in seconds as it goes by what it says itself, else by what is usual there. */
export const asMeant = <B extends TimedBout>(
  timed: B,
  bout: Pick<FramedBout, 'lengthSeconds' | 'afterFinish'>,
  usage: BoutUsage | null,
): B => ({
  ...timed,
  clockSeconds: bout.lengthSeconds ?? usage?.clockSeconds ?? null,
  afterFinish: bout.afterFinish ?? usage?.afterFinish ?? 'ends',
  ...(usage?.people && { people: usage.people }),
});

/** The times of a bout, by the footage's own frame times. `usage`: what it goes by where it does not say so itself. */
export function boutTimes(bout: FramedBout, table: FrameTable, usage: BoutUsage | null = null): BoutTimes {
  const start = secondsOfEdge(table, bout.fromFrame);
  const since = (frame: FrameIndex): BoutSeconds => secondsOfEdge(table, frame) - start;
  const coded: TimedBout = {
    lengthSeconds: since(bout.toFrame),
    openEnd: true,
    spans: bout.spans.map(({ position, holder, fromFrame, toFrame, name, posture }) => ({
      position,
      holder,
      from: since(fromFrame),
      to: since(toFrame),
      ...(name && { name }),
      ...(posture && { posture }),
    })),
    ...(bout.threats && bout.threats.length > 0 && { threats: bout.threats.map((threat) => timedThreat(threat, since)) }),
    events: bout.events.map(({ atFrame, ...happening }) => ({ ...happening, at: since(atFrame) })),
  };
  const timed = asMeant(coded, bout, usage);
  return {
    since,
    // What went to seconds and came back, by way of a file perhaps, may be a rounding early.
    frameAt: (seconds) => frameAtSeconds(table, start + seconds + timeSlack),
    timed,
    clock: boutClock(timed),
  };
}

/** What the coach says against the engine, on a frame. */
export type FramedOverride = Omit<ScoreOverride, 'at'> & { atFrame: FrameIndex };

export interface ScoredBout {
  /** As the sheet has it. */
  result: BoutScore;
  /** The score with the coach's corrections; null where there are none. */
  corrected: CorrectedScore | null;
  /** The result with the corrections in it: what is read further. */
  standing: BoutScore;
}

/** The score of a bout by a sheet, and as the coach sees it. */
export function scoredBout({ timed, since }: BoutTimes, sheet: RuleSheet, corrections: readonly FramedOverride[]): ScoredBout {
  const result = scoreBout(timed, sheet);
  const against = corrections.map(({ atFrame, ...override }): ScoreOverride => ({ ...override, at: since(atFrame) }));
  return { result, corrected: correctedScore(sheet, result, against), standing: correctedBout(sheet, result, against) };
}
