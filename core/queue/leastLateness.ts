import { simpleOrder, byPromise, type WaitingReview } from './orders.ts';
import { walkOn, walkTo, type Walker } from './windowWalk.ts';
import type { TimeSpan } from './workingHours.ts';

/** Up to so many reviews the order is the best there is; above it is the best that was found. */
export const mostExact = 9;
/** How many reviews the search above lays out, over all the orders it looks at. */
const mostLaidOut = 240_000;

/** Reviews with how long each takes in a number of draws (ms; all of one length), to be laid into windows. */
export interface LatenessInput {
  reviews: readonly (Pick<WaitingReview, 'id' | 'client' | 'readyAt' | 'dueAt' | 'planRank' | 'weight'> & {
    minutes: number;
    work: ArrayLike<number>;
  })[];
  windows: readonly TimeSpan[];
  nowAt: number;
}

type Review = LatenessInput['reviews'][number];
/** A review that never ends counts as this late. */
const neverMs = 1e15;

const latenessOf = (finishAt: number, { dueAt, weight }: Review): number => weight * Math.max(0, Math.min(finishAt - dueAt, neverMs));

/**
 * What an order costs that begins with some reviews: where each draw stands after them, and the weighted lateness so far (ms, mean of the
 * draws).
 */
interface Begun {
  walkers: Walker[];
  cost: number;
  order: number[];
}

const draws = ({ reviews }: LatenessInput): number => reviews[0]?.work.length ?? 0;

function begin(input: LatenessInput): Begun {
  return { walkers: Array.from({ length: draws(input) }, () => ({ at: input.nowAt, window: 0 })), cost: 0, order: [] };
}

function goOn(begun: Begun, next: number, { reviews, windows }: LatenessInput): Begun {
  const review = reviews[next]!;
  let late = 0;
  const walkers = begun.walkers.map((before, draw) => {
    const walker = { at: before.at, window: before.window };
    walkTo(walker, review.readyAt, windows);
    walkOn(walker, review.work[draw]!, windows);
    late += latenessOf(walker.at, review);
    return walker;
  });
  return { walkers, cost: begun.cost + late / walkers.length, order: [...begun.order, next] };
}

/** Costs that differ by less are the same (ms): sums of thousands of figures round. */
const same = 1e-3;

const before = (a: readonly number[], b: readonly number[]): boolean => {
  const i = a.findIndex((value, at) => value !== b[at]);
  return i >= 0 && a[i]! < b[i]!;
};

/** Whether nothing that can follow makes `b` cheaper than `a`: no draw stands later, and it has cost no more. */
const covers = (a: Begun, b: Begun): boolean =>
  a.cost <= b.cost + same &&
  a.walkers.every(({ at }, i) => at <= b.walkers[i]!.at) &&
  !(Math.abs(a.cost - b.cost) <= same && before(b.order, a.order) && a.walkers.every(({ at }, i) => at === b.walkers[i]!.at));

/**
 * The best order of all (Held and Karp, 1962): of every set of reviews the ways to begin with it that nothing covers. While all are ready
 * a set takes the same time in any order, so there is one; reviews that are not ready yet may leave several. Among equally good orders
 * the first by promise.
 */
function exactOrder(input: LatenessInput): number[] {
  const n = input.reviews.length;
  let sets = new Map<number, Begun[]>([[0, [begin(input)]]]);
  for (let size = 0; size < n; size++) {
    const larger = new Map<number, Begun[]>();
    for (const [set, ways] of sets)
      for (let next = 0; next < n; next++) {
        if (set & (1 << next)) continue;
        const grown = set | (1 << next);
        const kept = larger.get(grown) ?? [];
        for (const way of ways.map((w) => goOn(w, next, input)))
          if (!kept.some((other) => covers(other, way))) kept.splice(0, kept.length, ...kept.filter((other) => !covers(way, other)), way);
        larger.set(grown, kept);
      }
    sets = larger;
  }
  return [...sets.values()]
    .flat()
    .reduce((a, b) => (b.cost < a.cost - same || (b.cost <= a.cost + same && before(b.order, a.order)) ? b : a)).order;
}

/** Weighted lateness of a whole order from a place on, given what lies before it; gives up once it is not below `least`. */
function costFrom(order: readonly number[], from: number, begun: Begun, input: LatenessInput, least: number, into?: Begun[]): number {
  let cost = begun.cost;
  const walkers = begun.walkers.map(({ at, window }) => ({ at, window }));
  for (let i = from; i < order.length; i++) {
    const review = input.reviews[order[i]!]!;
    let late = 0;
    for (let draw = 0; draw < walkers.length; draw++) {
      const walker = walkers[draw]!;
      walkTo(walker, review.readyAt, input.windows);
      walkOn(walker, review.work[draw]!, input.windows);
      late += latenessOf(walker.at, review);
    }
    cost += late / walkers.length;
    if (cost >= least) return cost;
    if (into) into[i + 1] = { walkers: walkers.map(({ at, window }) => ({ at, window })), cost, order: [] };
  }
  return cost;
}

/** Orders near one, between two places of it: the two changed for one another, or one of them put where the other stands. */
function neighbours(order: readonly number[], low: number, high: number): number[][] {
  const [left, right, between] = [order.slice(0, low), order.slice(high + 1), order.slice(low + 1, high)];
  const [a, b] = [order[low]!, order[high]!];
  const swapped = [...left, b, ...between, a, ...right];
  return between.length === 0 ? [swapped] : [[...left, ...between, b, a, ...right], [...left, b, a, ...between, ...right], swapped];
}

/** How far ahead, in reviews of middle length, a promise makes itself felt (Vepsalainen and Morton, 1987). */
const lookAhead = 2;

/** Takes at each step what costs most by the hour it waits: its weight by its length, less the further off its promise. */
function urgentFirst(input: LatenessInput): number[] {
  const left = input.reviews.map((_, i) => i);
  const walker = { at: input.nowAt, window: 0 };
  const mean = input.reviews.reduce((sum, { work }) => sum + work[0]!, 0) / input.reviews.length;
  const order: number[] = [];
  while (left.length > 0) {
    const urgency = left.map((i) => {
      const { weight, work, dueAt } = input.reviews[i]!;
      return (weight / work[0]!) * Math.exp(-Math.max(0, dueAt - work[0]! - walker.at) / (lookAhead * mean));
    });
    const [next] = left.splice(urgency.indexOf(Math.max(...urgency)), 1);
    if (walker.at !== Infinity) walkOn(walker, input.reviews[next!]!.work[0]!, input.windows);
    order.push(next!);
  }
  return order;
}

interface Budget {
  laidOut: number;
}

/** Goes from an order to a better one near it as long as there is one and the budget lasts. */
function searchFrom(start: readonly number[], input: LatenessInput, budget: Budget): { order: number[]; cost: number } {
  let order = [...start];
  const prefixes: Begun[] = [begin(input)];
  let cost = costFrom(order, 0, prefixes[0]!, input, Infinity, prefixes);
  for (let better = true; better;) {
    better = false;
    for (let distance = 1; distance < order.length; distance++)
      for (let low = 0; low + distance < order.length; low++)
        for (const candidate of neighbours(order, low, low + distance)) {
          budget.laidOut -= order.length - low;
          if (budget.laidOut < 0 || cost <= same) return { order, cost };
          if (costFrom(candidate, low, prefixes[low]!, input, cost - same) >= cost - same) continue;
          order = candidate;
          cost = costFrom(order, low, prefixes[low]!, input, Infinity, prefixes);
          better = true;
          break;
        }
  }
  return { order, cost };
}

/** Above the exact size fewer draws are looked at. */
const searchDraws = 6;

/**
 * The order with the least weighted lateness, Σ weight × time late, mean over the draws: exact to nine reviews, by local search above.
 * Reviews are done one after the other; one that is not ready yet may be waited for.
 */
export function leastLatenessOrder(input: LatenessInput): number[] {
  const reviews = input.reviews.map((review, index) => ({ ...review, index }));
  const ranked = [...reviews].sort(byPromise);
  const exact = ranked.length <= mostExact;
  const asked = {
    ...input,
    reviews: exact ? ranked : ranked.map((review) => ({ ...review, work: Array.from(review.work).slice(0, searchDraws) })),
  };
  if (exact) return exactOrder(asked).map((i) => ranked[i]!.index);
  const place = new Map(ranked.map(({ id }, i) => [id, i]));
  const starts = (['due-first', 'plan-rank', 'shortest-first', 'fair-share'] as const)
    .map((policy) => simpleOrder(policy, asked.reviews).map(({ id }) => place.get(id)!))
    .concat([urgentFirst(asked)])
    .map((order) => ({ order, cost: costFrom(order, 0, begin(asked), asked, Infinity) }));
  const budget = { laidOut: mostLaidOut };
  const found = starts.sort((a, b) => a.cost - b.cost).map(({ order }) => searchFrom(order, asked, budget));
  return found.reduce((a, b) => (b.cost < a.cost - same ? b : a)).order.map((i) => ranked[i]!.index);
}
