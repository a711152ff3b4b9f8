import type { BoutClock } from './boutClock.ts';
import { clockSlack } from './clockSlack.ts';
import type { Holder, PositionCode } from '../positions/index.ts';
import type { TimedSpan } from './timedBout.ts';

/** A stretch in one position with one holder as the score sees it: on the bout clock, stoppages taken out. */
export interface PlayedStretch {
  position: PositionCode;
  holder: Holder;
  /** Bout clock seconds; `from` inclusive, `to` exclusive. */
  from: number;
  to: number;
  /** start: nothing was before it in this fall; play: the athletes went there; restart: the referee put them there. */
  begun: 'start' | 'play' | 'restart';
}

const same = (a: Pick<PlayedStretch, 'position' | 'holder'>, b: Pick<PlayedStretch, 'position' | 'holder'>): boolean =>
  a.position === b.position && a.holder === b.holder;

/**
 * Lays spans on the bout clock. What is coded within a stoppage is left out. Where one span was coded through a stoppage, the restart
 * resumes the position its event names, up to the next change; a span that was coded since the stop stands, whatever the event says. The
 * same position as before the stoppage goes on as one stretch and keeps its hold so far.
 */
export function playedStretches(spans: readonly TimedSpan[], { plays }: BoutClock): PlayedStretch[] {
  const played: PlayedStretch[] = [];
  let clock = 0;
  let stopped = 0;
  for (const { from, to, restart, isNewFall } of plays) {
    let first = true;
    for (const span of spans) {
      const [a, b] = [Math.max(span.from, from), Math.min(span.to, to)];
      if (b - a <= clockSlack) continue;
      const isThrough = first && span.from < stopped - clockSlack;
      const named = isThrough && restart?.position !== undefined ? { position: restart.position, holder: restart.holder ?? null } : span;
      const begun = played.length === 0 || (first && isNewFall) ? 'start' : first && restart ? 'restart' : 'play';
      const piece: PlayedStretch = { position: named.position, holder: named.holder, from: clock + a - from, to: clock + b - from, begun };
      first = false;
      const last = played.at(-1);
      if (last && begun !== 'start' && same(last, piece)) last.to = piece.to;
      else played.push(piece);
    }
    clock += to - from;
    stopped = to;
  }
  return played;
}
