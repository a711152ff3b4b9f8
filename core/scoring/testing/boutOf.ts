import type { TimedEvent } from '../boutEvent.ts';
import type { Holder, PositionCode } from '../../positions/index.ts';
import type { TimedBout } from '../timedBout.ts';

export type Leg = [position: PositionCode, holder: Holder, seconds: number];

/** A bout of spans one after another, each so many seconds long. */
export function boutOf(legs: readonly Leg[], events: readonly TimedEvent[] = [], clockSeconds: number | null = null): TimedBout {
  let at = 0;
  const spans = legs.map(([position, holder, seconds]) => ({
    position,
    holder,
    from: at,
    to: (at = Math.round((at + seconds) * 1e6) / 1e6),
  }));
  return { lengthSeconds: at, clockSeconds, spans, events };
}
