import type { StageView } from '../desk/index.ts';
import type { FrameTable, Seconds } from '../footage/index.ts';
import type { Stage } from './stage.ts';

/** Pictures a second of a film, as a fraction: `pictures` in `per` seconds. */
export interface FilmRate {
  pictures: number;
  per: number;
}

/** Rates at which cameras run (SMPTE's with 1.001), slowest first. */
const usualRates: readonly FilmRate[] = [
  { pictures: 24_000, per: 1001 },
  { pictures: 24, per: 1 },
  { pictures: 25, per: 1 },
  { pictures: 30_000, per: 1001 },
  { pictures: 30, per: 1 },
  { pictures: 50, per: 1 },
  { pictures: 60_000, per: 1001 },
  { pictures: 60, per: 1 },
];
/** A footage runs at a usual rate where it is no further from it than this share: 24 and 24/1.001 are 0.001 apart. */
const sameRate = 0.0004;

/**
 * At how many pictures a second a film of a footage runs: as the footage does where that runs at a usual rate, so that each of its frames
 * is one picture at full speed; else at 30, or 60 where it has 45 a second or more.
 */
export function filmRate({ times }: FrameTable): FilmRate {
  const gaps = times.slice(1).map((seconds, i) => seconds - times[i]!);
  const mean = (gaps.length || 30) / (times.at(-1)! - times[0]! || 1);
  const usual = usualRates.find(({ pictures, per }) => Math.abs(mean / (pictures / per) - 1) < sameRate);
  const median = [...gaps].sort((a, b) => a - b)[gaps.length >> 1] ?? 1 / 30;
  return usual ?? { pictures: 1 / median >= 45 ? 60 : 30, per: 1 };
}

/** How many pictures a film of so many seconds has; one at least. */
export const filmLength = (seconds: Seconds, { pictures, per }: FilmRate): number => Math.max(1, Math.round((seconds * pictures) / per));

/** The instant whose stage a picture of a film shows: the middle of the time for which it is seen. */
export const filmInstant = (picture: number, { pictures, per }: FilmRate): Seconds => ((picture + 0.5) * per) / pictures;

/** Pictures of a film that are read from its footage in one go. */
export interface FilmRead {
  /** Frames of the footage, both included. */
  first: number;
  last: number;
  backwards: boolean;
  /** What of the picture fills the film, the same for all of them; null: it moves, and each has its own. */
  look: FilmLook | null;
  stages: Stage[];
}

export interface FilmLook {
  view: StageView;
  mirrored: boolean;
}

/** Frames that are passed over are decoded all the same; a jump further than this is read anew. */
const mostPassedOver = 12;
/** A view that stands for fewer pictures than this counts as moving: to read anew would take longer than to enlarge them one by one. */
const leastStanding = 8;

const sameLook = (a: FilmLook, b: FilmLook): boolean =>
  a.mirrored === b.mirrored && a.view.zoom === b.view.zoom && a.view.x === b.view.x && a.view.y === b.view.y;

/** What each picture shows of its frame: what stands for a while, and null where it moves. */
function looksOf(stages: readonly Stage[]): (FilmLook | null)[] {
  const looks: (FilmLook | null)[] = [];
  for (let from = 0; from < stages.length;) {
    const { view, mirrored } = stages[from]!;
    let to = from + 1;
    while (to < stages.length && sameLook(stages[to]!, stages[from]!)) to += 1;
    const isWhole = view.zoom === 1 && !mirrored;
    const stands = to - from >= leastStanding || isWhole;
    for (let i = from; i < to; i++) looks.push(stands ? { view, mirrored } : null);
    from = to;
  }
  return looks;
}

/**
 * How the pictures of a film are read from its footage: one read for as long as it runs one way with one look. `mostHeld`: frames that may
 * be held at once, as running backwards needs, since footage is decoded forwards only.
 */
export function filmReads(stages: readonly Stage[], mostHeld: number): FilmRead[] {
  const reads: FilmRead[] = [];
  const looks = looksOf(stages);
  stages.forEach((stage, i) => {
    const read = reads.at(-1);
    const look = looks[i]!;
    const { frame } = stage;
    const before = read?.stages.at(-1)?.frame ?? frame;
    const fits = read && (look === null ? read.look === null : read.look !== null && sameLook(look, read.look));
    const rests = read?.first === read?.last;
    if (fits && frame >= before && frame - before <= mostPassedOver && (!read.backwards || frame === before))
      read.last = Math.max(read.last, frame);
    else if (fits && frame < before && (read.backwards || rests) && before - frame <= mostPassedOver && read.last - frame < mostHeld)
      Object.assign(read, { first: frame, backwards: true });
    else return void reads.push({ first: frame, last: frame, backwards: false, look, stages: [stage] });
    read.stages.push(stage);
  });
  return reads;
}
