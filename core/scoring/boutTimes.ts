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
import type { Span } from './position.ts';
import type { RuleSheet } from './ruleSheet.ts';
import type { BoutScore } from './score.ts';
import type { CorrectedScore } from './overrides.ts';
import { scoreBout } from './scoreBout.ts';
import type { TimedBout } from './timedBout.ts';

/** A bout as it lies in its footage: from inclusive, to exclusive. */
export interface FramedBout {
  fromFrame: FrameIndex;
  toFrame: FrameIndex;
  /** How long it was meant to be, in seconds. */
  lengthSeconds: number | null;
  spans: readonly Span[];
  events: readonly FrameEvent[];
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

/**
 * How long a bout was meant to be, in seconds, where it does not say so itself: what the client said at intake, else the sheet; null where
 * neither does (docs/domain.md §2).
 */
export const meantSeconds = (saidMinutes: number | null, { boutSeconds }: Pick<RuleSheet, 'boutSeconds'>): ClockSeconds | null =>
  saidMinutes === null ? boutSeconds : saidMinutes * 60;

/** The times of a bout, by the footage's own frame times. `meant`: how long it was meant to be, where the bout itself does not say. */
export function boutTimes(bout: FramedBout, table: FrameTable, meant: ClockSeconds | null = null): BoutTimes {
  const start = secondsOfEdge(table, bout.fromFrame);
  const since = (frame: FrameIndex): BoutSeconds => secondsOfEdge(table, frame) - start;
  const timed: TimedBout = {
    lengthSeconds: since(bout.toFrame),
    clockSeconds: bout.lengthSeconds ?? meant,
    spans: bout.spans.map(({ position, holder, fromFrame, toFrame }) => ({ position, holder, from: since(fromFrame), to: since(toFrame) })),
    events: bout.events.map(({ atFrame, ...happening }) => ({ ...happening, at: since(atFrame) })),
  };
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
