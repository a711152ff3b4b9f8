import { placeWords, positionFamily, sideNames, type BoutStats, type Holder, type PositionCode } from '../scoring/index.ts';
import { fisherExact, rateRatio } from '../statistics/index.ts';

/** A request as a whole: everything that was counted of its bouts, and the taps of each. */
export interface WholeRequest {
  stats: BoutStats;
  taps: { client: number; partner: number };
}

/** One thing of two requests beside one another. */
export interface Difference {
  /** What is compared, in words: "sweeps tried", "under a pin". */
  what: string;
  earlier: string;
  later: string;
  /** Exact, two-sided: how often chance alone makes the two differ so; null where one of them has nothing to count against. */
  p: number | null;
  /** Whether it is more than chance, with all that was looked at taken into account (Holm). */
  beyondChance: boolean;
}

/** All comparisons of two requests together are wrong in one of ten cases at most. */
const familyLevel = 0.1;

interface Rate {
  count: number;
  minutes: number;
}
interface Share {
  yes: number;
  all: number;
}

const twoSided = (a: number, b: number): number => Math.min(1, 2 * Math.min(a, b));
const rateP = (earlier: Rate, later: Rate): number | null => {
  if (earlier.minutes <= 0 || later.minutes <= 0) return null;
  const { pFewer, pMore } = rateRatio({ count: earlier.count, exposure: earlier.minutes }, { count: later.count, exposure: later.minutes });
  return twoSided(pFewer, pMore);
};
const shareP = (earlier: Share, later: Share): number | null => {
  if (earlier.all === 0 || later.all === 0) return null;
  const table = (a: Share, b: Share) => ({ yes: a.yes, no: a.all - a.yes, otherYes: b.yes, otherNo: b.all - b.yes });
  return twoSided(fisherExact(table(later, earlier)), fisherExact(table(earlier, later)));
};

const minutesOf = ({ stats }: WholeRequest): number => stats.clockSeconds / 60;
const rateWords = ({ count, minutes }: Rate): string => `${count} in ${minutes.toFixed(1)} min`;

type Unjudged = Omit<Difference, 'beyondChance'>;

const rateOf = (what: string, [earlier, later]: readonly [WholeRequest, WholeRequest], count: (of: WholeRequest) => number): Unjudged => {
  const [a, b] = [earlier, later].map((one) => ({ count: count(one), minutes: minutesOf(one) }));
  return { what, earlier: rateWords(a!), later: rateWords(b!), p: rateP(a!, b!) };
};

function attemptsOf(pair: readonly [WholeRequest, WholeRequest], athlete: 'client' | 'partner'): Unjudged[] {
  const techniques = [...new Set(pair.flatMap(({ stats }) => Object.keys(stats[athlete].attempts)))].sort();
  const whose = athlete === 'client' ? 'own' : 'the partner’s';
  return techniques.flatMap((technique) => {
    const of = ({ stats }: WholeRequest): Share => {
      const { tries, successes } = stats[athlete].attempts[technique] ?? { tries: 0, successes: 0 };
      return { yes: successes, all: tries };
    };
    const [a, b] = [of(pair[0]), of(pair[1])];
    const words = ({ yes, all }: Share): string => (all === 0 ? 'none tried' : `${yes} of ${all}`);
    return [
      rateOf(`${whose} ${technique}, tried`, pair, (one) => of(one).all),
      { what: `${whose} ${technique}, worked`, earlier: words(a), later: words(b), p: shareP(a, b) },
    ];
  });
}

/** How often each place was come into, out of another. */
function cameInto(pair: readonly [WholeRequest, WholeRequest]): Unjudged[] {
  const keyOf = (place: { position: PositionCode; holder: Holder }): string => `${place.position} ${place.holder}`;
  const places = new Map(pair.flatMap(({ stats }) => stats.transitions.map(({ to }) => [keyOf(to), to] as const)));
  return [...places]
    .filter(([, { holder }]) => holder !== null)
    .map(([key, place]) =>
      rateOf(`came into ${placeWords(place, sideNames)}`, pair, ({ stats }) =>
        stats.transitions.filter(({ to }) => keyOf(to) === key).reduce((sum, { count }) => sum + count, 0),
      ),
    );
}

const pinnedTimes = ({ stats }: WholeRequest, holder: 'client' | 'partner'): number =>
  stats.transitions
    .filter(
      ({ from, to }) =>
        to.holder === holder &&
        positionFamily(to.position) === 'pin' &&
        !(from.holder === holder && positionFamily(from.position) === 'pin'),
    )
    .reduce((sum, { count }) => sum + count, 0);

/**
 * Holm's step-down (1979): from the smallest p on, each against the level shared by those that are left; the first that is not small enough
 * ends it. At most one family in ten holds a difference that chance made, whatever the comparisons have to do with one another.
 */
function judged(all: readonly Unjudged[]): Difference[] {
  const order = all.filter(({ p }) => p !== null).sort((a, b) => a.p! - b.p!);
  const fails = order.findIndex(({ p }, i) => p! > familyLevel / (order.length - i));
  const beyond = new Set(fails < 0 ? order : order.slice(0, fails));
  return [...order, ...all.filter(({ p }) => p === null)].map((one) => ({ ...one, beyondChance: beyond.has(one) }));
}

/**
 * Two requests of one client compared as a whole: attempts by technique, taps, ways out, places come into. What is more than chance comes
 * first, then the rest by how little chance would make it so. Time spent in places is shown beside it and not tested: seconds in one place
 * hang together, and no count says how many there are.
 */
export function compareRequests(earlier: WholeRequest, later: WholeRequest): Difference[] {
  const pair = [earlier, later] as const;
  const all = [
    ...attemptsOf(pair, 'client'),
    ...attemptsOf(pair, 'partner'),
    rateOf('own taps', pair, ({ taps }) => taps.partner),
    rateOf('taps taken from the partner', pair, ({ taps }) => taps.client),
    rateOf('got out from under a pin', pair, ({ stats }) => stats.client.escapes),
    rateOf('came under a pin', pair, (one) => pinnedTimes(one, 'partner')),
    rateOf('pinned the partner', pair, (one) => pinnedTimes(one, 'client')),
    ...cameInto(pair),
  ];
  // What never happened in either is no comparison.
  return judged(all.filter(({ earlier: a, later: b }) => !(/^(0 in|none)/.test(a) && /^(0 in|none)/.test(b))));
}
