import { boutTimes, type FramedBout, type TimedBout } from '@lean-mentor/core/scoring';
import type { FrameTable } from '@lean-mentor/core/footage';

/** A coded bout in seconds; null while nothing is coded. */
export const timedOf = (bout: FramedBout, table: FrameTable): TimedBout | null =>
  bout.spans.length === 0 ? null : boutTimes(bout, table).timed;
