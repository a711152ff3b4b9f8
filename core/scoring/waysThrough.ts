import { clockSlack } from './clockSlack.ts';
import type { PlayedStretch } from './playedStretches.ts';
import { positionName, type PositionCode } from '../positions/index.ts';
import { secondsText } from './actionWords.ts';

/** Positions one goes through: what comes after them is read against what was before (docs/domain.md §3, origin). */
const through: ReadonlySet<PositionCode> = new Set(['scramble', 'fifty-fifty', 'leg-entanglement', 'front-headlock', 'both-seated']);
export const isWayThrough = (position: PositionCode): boolean => through.has(position);

export const fromStanding: ReadonlySet<PositionCode> = new Set(['standing', 'clinch', 'rear-clinch']);

/** What a change is read against: where they were, and since when in bout clock seconds. */
export type Origin = Pick<PlayedStretch, 'position' | 'holder' | 'from'>;

/** The way into a stretch. */
export interface Way {
  origin: Origin;
  /** What was gone through since, in order; none where they went straight there. */
  through: readonly PlayedStretch[];
  /** How long that lasted, in bout clock seconds. */
  seconds: number;
  /**
   * straight, origin: read against where they were. double-pull, fifty-fifty, leg-entanglement: coming up from there pays what the sheet
   * says. lost: they stayed too long for what was before to count.
   */
  kind: 'straight' | 'origin' | 'double-pull' | 'fifty-fifty' | 'leg-entanglement' | 'lost';
}

/** Whether the stay was short enough for what came before to count, and a control chain to go on. */
export const isShortWay = ({ seconds }: Way, originSeconds: number): boolean => seconds <= originSeconds + clockSlack;

const nothing: readonly PlayedStretch[] = [];

/** The way into a stretch that is not itself a way through. What the bout, or a restart, began in has standing as its origin. */
export function wayInto(stretches: readonly PlayedStretch[], i: number, originSeconds: number): Way {
  const last = stretches[i - 1]!;
  // Most changes are straight.
  if (!isWayThrough(last.position)) return { origin: last, through: nothing, seconds: 0, kind: 'straight' };
  let first = i;
  let origin: Origin | undefined;
  while (origin === undefined) {
    const before = stretches[first - 1]!;
    if (!isWayThrough(before.position)) origin = before;
    else {
      first -= 1;
      if (before.begun !== 'play') origin = { position: 'standing', holder: null, from: before.from };
    }
  }
  const gone = stretches.slice(first, i);
  const way = { origin, through: gone, seconds: stretches[i]!.from - gone[0]!.from };
  return { ...way, kind: kindOf(way, originSeconds) };
}

function kindOf(way: Omit<Way, 'kind'>, originSeconds: number): Way['kind'] {
  // Both sat down from their feet: whoever comes up has taken nobody down, however soon.
  if (fromStanding.has(way.origin.position) && way.through.some(({ position }) => position === 'both-seated')) return 'double-pull';
  if (way.seconds <= originSeconds + clockSlack) return 'origin';
  const end = way.through.at(-1)!.to;
  const legs = way.through.findLast(({ position }) => position === 'fifty-fifty' || position === 'leg-entanglement');
  return legs && end - legs.to <= originSeconds + clockSlack ? (legs.position as 'fifty-fifty' | 'leg-entanglement') : 'lost';
}

/** What follows "swept to the top at 2:04": ", from half guard through a scramble of 1.5 s"; nothing where they went straight. */
export function wayText({ origin, through: gone, seconds, kind }: Way): string {
  if (gone.length === 0) return '';
  const names = [...new Set(gone.map(({ position }) => positionName(position).toLowerCase()))];
  const ways = `through ${names.join(' and ')} of ${secondsText(seconds)}`;
  if (kind === 'double-pull') return `, after both sat down, ${ways}`;
  return kind === 'origin'
    ? `, from ${positionName(origin.position).toLowerCase()} ${ways}`
    : `, out of ${names.at(-1)!} after ${secondsText(seconds)}`;
}
