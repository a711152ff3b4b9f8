import { leanOfSpan, positionFamily, type FrameEvent, type Span } from '../scoring/index.ts';
import type { Counted } from './session.ts';
import type { RoundStart } from './terms.ts';

/** One go of a positional round in coded footage, from the start position to the next time they are in it; `toFrame` exclusive. */
export interface Go {
  fromFrame: number;
  toFrame: number;
  /** Whose end it was, as in `Way`. */
  won: 'own' | 'other' | 'nobody';
}

/** A change of lean by less than this is the same go on: a hand under the chin is no pass. */
const changeOfLean = 15;

interface CodedRound {
  spans: readonly Span[];
  events: readonly FrameEvent[];
}

const isStart = ({ position, holder }: Span, start: RoundStart): boolean =>
  position === start.position && (start.clientHolds === null ? holder === null : holder === (start.clientHolds ? 'client' : 'partner'));

/** Where nothing changed until they began anew: who was to hold has held. From a guard, or on the feet, that is nobody's. */
function unchanged({ position, clientHolds }: RoundStart): Go['won'] {
  if (clientHolds === null || positionFamily(position) === 'guard') return 'nobody';
  return clientHolds ? 'own' : 'other';
}

function wonIn(go: readonly Span[], events: readonly FrameEvent[], start: RoundStart): Go['won'] {
  const [from, to] = [go[0]!.fromFrame, go.at(-1)!.toFrame];
  const before = leanOfSpan(go[0]!);
  const changed = go.find((span) => Math.abs(leanOfSpan(span) - before) > changeOfLean);
  // A finish in the last frame of a go stands at its end.
  const finish = events.find(({ kind, atFrame }) => kind === 'finish' && from <= atFrame && atFrame <= to);
  if (finish?.kind === 'finish' && (!changed || finish.atFrame <= changed.fromFrame)) return finish.athlete === 'client' ? 'own' : 'other';
  if (changed) return leanOfSpan(changed) > before ? 'own' : 'other';
  return unchanged(start);
}

/**
 * The goes of a positional round as it was coded: each begins where they come into the start position, and is won by who finishes or first
 * changes the lean for themselves. A stretch in the start position that is only cut in two is one go.
 */
export function codedGoes({ spans, events }: CodedRound, start: RoundStart): Go[] {
  const begins = spans.flatMap((span, i) => (isStart(span, start) && !(i > 0 && isStart(spans[i - 1]!, start)) ? i : []));
  return begins.map((first, i) => {
    const go = spans.slice(first, begins[i + 1] ?? spans.length);
    return { fromFrame: go[0]!.fromFrame, toFrame: go.at(-1)!.toFrame, won: wonIn(go, events, start) };
  });
}

/** What coded goes amount to, beside what was counted on the mat: goes won of goes that somebody won. */
export function countsOfGoes(goes: readonly Go[]): Extract<Counted, { chances: number }> {
  const won = goes.filter((go) => go.won === 'own').length;
  return { successes: won, chances: won + goes.filter((go) => go.won === 'other').length };
}

interface Stretch {
  fromFrame: number;
  toFrame: number;
}

/** Two that stand so close, in s, are one pause with a twitch in it. */
const onePauseSeconds = 2;

/**
 * Where a round begins anew, as far as movement tells: the ends of its lulls, since the two lie or kneel still until they go. Frames within
 * the round, in order. It finds pauses, not positions: a go that begins without a pause is missed, a held grip may be taken for one.
 */
export function resetsByMotion(lulls: readonly Stretch[], round: Stretch, secondsAt: (frame: number) => number): number[] {
  const ends = lulls
    .map(({ toFrame }) => toFrame)
    .filter((frame) => round.fromFrame <= frame && frame < round.toFrame)
    .sort((a, b) => a - b);
  return ends.filter((frame, i) => i === 0 || secondsAt(frame) - secondsAt(ends[i - 1]!) > onePauseSeconds);
}
