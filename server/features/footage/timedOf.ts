import type { Bout } from '@lean-mentor/contract';
import { secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import { timedBout, type TimedBout } from '@lean-mentor/core/scoring';

/** A coded bout in seconds; null while nothing is coded. */
export function timedOf(
  bout: Pick<Bout, 'fromFrame' | 'toFrame' | 'lengthSeconds' | 'spans' | 'events'>,
  table: FrameTable,
): TimedBout | null {
  if (bout.spans.length === 0) return null;
  return timedBout(bout, (frame) => (frame >= table.times.length ? table.endSeconds : secondsOfFrame(table, frame)));
}
