import type { FrameEvent, TimedEvent } from './boutEvent.ts';
import type { Holder, PositionCode, Span } from './position.ts';

/** A span in seconds since the bout's start on the footage clock; `from` inclusive, `to` exclusive. */
export interface TimedSpan {
  position: PositionCode;
  holder: Holder;
  from: number;
  to: number;
}

/** A coded bout in seconds: what everything in this room is computed from. */
export interface TimedBout {
  /** Length on the footage clock, stoppages not taken out. */
  lengthSeconds: number;
  /** How long it was meant to be on the bout clock; null where nobody set it. */
  clockSeconds?: number | null;
  /** Ascending, without gap or overlap. */
  spans: readonly TimedSpan[];
  /** In any order. */
  events: readonly TimedEvent[];
}

interface FramedBout {
  fromFrame: number;
  toFrame: number;
  lengthSeconds: number | null;
  spans: readonly Span[];
  events: readonly FrameEvent[];
}

/** A bout of footage in seconds, by the footage's own frame times. `secondsAt` of the frame after the last is the footage's end. */
export function timedBout(bout: FramedBout, secondsAt: (frame: number) => number): TimedBout {
  const start = secondsAt(bout.fromFrame);
  const since = (frame: number): number => secondsAt(frame) - start;
  return {
    lengthSeconds: since(bout.toFrame),
    clockSeconds: bout.lengthSeconds,
    spans: bout.spans.map(({ position, holder, fromFrame, toFrame }) => ({ position, holder, from: since(fromFrame), to: since(toFrame) })),
    events: bout.events.map(({ atFrame, ...happening }) => ({ ...happening, at: since(atFrame) })),
  };
}
