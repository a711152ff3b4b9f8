import { drawsFrom } from '../statistics/index.ts';
import { drawDeskTime, middleDeskMinutes, type DeskTime } from './deskTime.ts';
import { leastLatenessOrder } from './leastLateness.ts';
import { simpleOrder, withPlaces, type OrderPolicy, type WaitingReview } from './orders.ts';
import { walkOn, walkTo } from './windowWalk.ts';
import { windowsHolding, workingBetween, type TimeSpan, type WorkingHours } from './workingHours.ts';

const minute = 60_000;
const hour = 60 * minute;

/** What a schedule is computed from. */
export interface ScheduleInput {
  reviews: readonly WaitingReview[];
  hours: WorkingHours;
  nowAt: number;
  deskTime: DeskTime;
  seed: number;
  /** How often the days ahead are drawn; 2,000 is enough for a P80 within a fiftieth. */
  runs: number;
}

/** When a review is expected under an order: epoch ms, null where no working window is left for it. */
export interface ReviewForecast {
  id: string;
  startP50At: number | null;
  finishP50At: number | null;
  finishP80At: number | null;
  /** Share of the runs in which it ends after its promise. */
  lateShare: number;
}

/** An order and what it leads to, as means over the runs. */
export interface PolicyForecast {
  policy: OrderPolicy;
  /** In the order of the reviews given. */
  reviews: ReviewForecast[];
  /** Ids as they are done. */
  order: string[];
  numberLate: number;
  /** Σ weight × hours late. */
  weightedLatenessHours: number;
  /** From ready to finished, in hours of the calendar. */
  meanWaitHours: number;
  longestWaitHours: number;
}

/** Reviews with how long each takes: `work[run]` in ms, and the middle of it, which policies go by. */
export interface DrawnReviews {
  reviews: (WaitingReview & { minutes: number; work: Float64Array })[];
  windows: TimeSpan[];
  nowAt: number;
  runs: number;
}

/** What is still to be done of a review that may have begun: at least a tenth of the whole, since it is not finished. */
const stillToDo = (minutes: number, spent: number): number => Math.max(minutes - spent, minutes / 10);

/** How often a draw that is shorter than what was already spent is drawn again. */
const mostRedrawn = 12;

/** Draws how long every review takes in every run; one run is enough when all are known. Windows reach as far as the longest run needs. */
export function drawReviews({ reviews, hours, nowAt, deskTime, seed, runs: wanted }: ScheduleInput): DrawnReviews {
  const runs = reviews.every(({ deskMinutes }) => deskMinutes !== undefined) ? 1 : Math.max(1, wanted);
  const drawn = reviews.map((review) => ({
    ...review,
    minutes: stillToDo(review.deskMinutes ?? middleDeskMinutes(deskTime, review), review.spentMinutes ?? 0),
    work: new Float64Array(runs),
  }));
  const draws = drawsFrom(seed);
  let longest = 0;
  for (let run = 0; run < runs; run++) {
    const draw = drawDeskTime(deskTime, draws);
    let total = 0;
    for (const review of drawn) {
      // Drawn for a known one as well, so that knowing one changes nothing for the others. What has already taken longer is no possible
      // draw.
      let minutes = draw(review);
      for (let again = 0; again < mostRedrawn && minutes <= (review.spentMinutes ?? 0); again++) minutes = draw(review);
      review.work[run] = stillToDo(review.deskMinutes ?? minutes, review.spentMinutes ?? 0) * minute;
      total += review.work[run]!;
    }
    longest = Math.max(longest, total);
  }
  // What is not ready yet may leave windows unused before it.
  const lastReady = reviews.reduce((last, { readyAt }) => Math.max(last, readyAt), nowAt);
  return { reviews: drawn, windows: windowsHolding(hours, nowAt, longest + workingBetween(hours, nowAt, lastReady)), nowAt, runs };
}

type Drawn = DrawnReviews['reviews'][number];

/** The order in which a policy does the reviews, those moved by hand at their places. */
export function orderBy(policy: OrderPolicy, { reviews, windows, nowAt }: DrawnReviews): Drawn[] {
  if (policy !== 'least-weighted-lateness') return withPlaces(simpleOrder(policy, reviews));
  const few = reviews.map((review) => ({ ...review, work: review.work.subarray(0, orderRuns) }));
  return withPlaces(leastLatenessOrder({ reviews: few, windows, nowAt }).map((i) => reviews[i]!));
}

/** The `share` quantile of a number of values: the least value that so many are at or below. Reorders them (Hoare's selection). */
function quantile(values: Float64Array, share: number): number {
  const wanted = Math.max(0, Math.ceil(share * values.length - 1e-9) - 1);
  let [low, high] = [0, values.length - 1];
  while (low < high) {
    const pivot = values[(low + high) >> 1]!;
    let [i, j] = [low, high];
    while (i <= j) {
      while (values[i]! < pivot) i++;
      while (values[j]! > pivot) j--;
      if (i <= j) {
        [values[i], values[j]] = [values[j]!, values[i]!];
        i++;
        j--;
      }
    }
    if (wanted <= j) high = j;
    else if (wanted >= i) low = i;
    else break;
  }
  return values[wanted]!;
}

const known = (at: number): number | null => (at === Infinity ? null : at);

/**
 * Lays an order into one run: fills where each review starts and ends. Who is free takes the first that is ready; the best order may
 * wait.
 */
function layOut(
  order: readonly Drawn[],
  run: number,
  { windows, nowAt }: DrawnReviews,
  waits: boolean,
  tell: (i: number, from: number, to: number) => void,
) {
  const walker = { at: nowAt, window: 0 };
  const done = (i: number): void => {
    walkTo(walker, order[i]!.readyAt, windows);
    const from = walker.at;
    walkOn(walker, order[i]!.work[run]!, windows);
    tell(i, from, walker.at);
  };
  if (waits || order.every(({ readyAt }) => readyAt <= nowAt)) {
    order.forEach((_, i) => done(i));
    return;
  }
  const left = order.map((_, i) => i);
  while (left.length > 0) {
    walkTo(walker, 0, windows);
    const ready = left.findIndex((i) => order[i]!.readyAt <= walker.at);
    const soonest = left.reduce((a, b, at) => (order[b]!.readyAt < order[left[a]!]!.readyAt ? at : a), 0);
    done(left.splice(ready >= 0 ? ready : soonest, 1)[0]!);
  }
}

/** What an order of the drawn reviews leads to. */
export function forecastOrder(policy: OrderPolicy, order: readonly Drawn[], drawn: DrawnReviews): PolicyForecast {
  const { runs } = drawn;
  const starts = order.map(() => new Float64Array(runs));
  const finishes = order.map(() => new Float64Array(runs));
  const late = new Float64Array(order.length);
  let [lateness, waits, longest] = [0, 0, 0];
  for (let run = 0; run < runs; run++) {
    let longestHere = 0;
    layOut(order, run, drawn, policy === 'least-weighted-lateness', (i, from, to) => {
      starts[i]![run] = from;
      finishes[i]![run] = to;
      const { dueAt, readyAt, weight } = order[i]!;
      if (to > dueAt) {
        late[i]!++;
        lateness += weight * (to - dueAt);
      }
      waits += to - readyAt;
      longestHere = Math.max(longestHere, to - readyAt);
    });
    longest += longestHere;
  }
  const forecasts = new Map(
    order.map(({ id }, i) => [
      id,
      {
        id,
        startP50At: known(quantile(starts[i]!, 0.5)),
        finishP50At: known(quantile(finishes[i]!, 0.5)),
        finishP80At: known(quantile(finishes[i]!, 0.8)),
        lateShare: late[i]! / runs,
      },
    ]),
  );
  const hours = (ms: number, by: number): number => (by === 0 ? 0 : ms / hour / by);
  return {
    policy,
    reviews: drawn.reviews.map(({ id }) => forecasts.get(id)!),
    order: order.map(({ id }) => id),
    numberLate: late.reduce((sum, count) => sum + count, 0) / runs,
    weightedLatenessHours: hours(lateness, runs),
    meanWaitHours: hours(waits, runs * order.length),
    longestWaitHours: hours(longest, runs),
  };
}

/** Lays the reviews out under every policy named, on the same draws. */
export function schedule(input: ScheduleInput, policies: readonly OrderPolicy[]): PolicyForecast[] {
  const drawn = drawReviews(input);
  return policies.map((policy) => forecastOrder(policy, orderBy(policy, drawn), drawn));
}

/** So many draws decide an order that looks at more than the middle of things. */
const orderRuns = 24;

/**
 * When one more review ends in eight of ten runs (epoch ms) if it comes to the others now; null where no working window is left for it.
 * Only what is done before it is drawn. What comes in later may go before it where the policy says so, and is not foreseen.
 */
export function promiseFor(one: WaitingReview, input: ScheduleInput, policy: OrderPolicy): number | null {
  const order = orderBy(policy, drawReviews({ ...input, reviews: [...input.reviews, one], runs: orderRuns }));
  const before = order.slice(0, order.findIndex(({ id }) => id === one.id) + 1).map(({ minutes: _, work: __, ...review }) => review);
  const drawn = drawReviews({ ...input, reviews: before });
  const ends = new Float64Array(drawn.runs);
  for (let run = 0; run < drawn.runs; run++)
    layOut(drawn.reviews, run, drawn, policy === 'least-weighted-lateness', (i, _, to) => {
      if (i === before.length - 1) ends[run] = to;
    });
  return known(quantile(ends, 0.8));
}
