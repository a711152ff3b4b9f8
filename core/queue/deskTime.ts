import { studentT, type Draws } from '../statistics/index.ts';

export type ReviewKind = 'match' | 'sparring';
export const reviewKinds: readonly ReviewKind[] = ['match', 'sparring'];

/** What is to be reviewed: minutes of bout, and whether the answer will be spoken as well. */
export interface ToReview {
  kind: ReviewKind;
  boutMinutes: number;
  spoken?: boolean;
}

/** One finished review and the minutes at the desk it took. */
export interface PastReview extends ToReview {
  deskMinutes: number;
}

/** Before any review is known: desk minutes a minute of bout, and how many reviews that belief weighs (docs/domain.md §9). */
const priorRatio = 3;
const priorWeight = 4;
/** How far single reviews stray from it, as a standard deviation of the logarithm: two of three within a factor of 1.6. */
const priorStray = 0.45;
/** How much longer a spoken answer is believed to take, until reviews say so; weighs as many. */
const priorSpoken = 1.25;
/** Reviews of each kind from which on each is taken by itself. */
const enoughOfAKind = 5;

/**
 * What is believed of the logarithm of desk minutes ÷ bout minutes: normal, its mean and spread themselves uncertain
 * (normal-inverse-gamma).
 */
interface Belief {
  mean: number;
  weight: number;
  shape: number;
  rate: number;
  reviews: number;
}

/** What past reviews say about how long one takes. */
export interface DeskTime {
  of: Record<ReviewKind, Belief>;
  /** Matches and sparring by themselves, or together while there are fewer than five of either. */
  apart: boolean;
  /** Logarithm of how much longer a spoken answer takes, and from how many reviews. */
  spoken: number;
  spokenReviews: number;
}

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

/** The belief before any review, after these ratios (logarithms): Gelman and others, Bayesian Data Analysis, section 3.3. */
function beliefAfter(logs: readonly number[]): Belief {
  const n = logs.length;
  const prior = Math.log(priorRatio);
  const mean = n > 0 ? sum(logs) / n : 0;
  const weight = priorWeight + n;
  const strays = sum(logs.map((log) => (log - mean) ** 2)) + (n > 0 ? (priorWeight * n * (mean - prior) ** 2) / weight : 0);
  return {
    mean: (priorWeight * prior + sum(logs)) / weight,
    weight,
    shape: (priorWeight + n) / 2,
    rate: (priorWeight * priorStray ** 2 + strays) / 2,
    reviews: n,
  };
}

const ratioLog = (review: PastReview): number => Math.log(review.deskMinutes / review.boutMinutes);

/**
 * What finished reviews say about the next: the log-mean of desk ÷ bout minutes, shrunk to 3.0 with the weight of 4 reviews; matches and
 * sparring apart once there are five of each; spoken answers longer by a factor shrunk to 1.25. Reviews without length or time are left
 * out.
 */
export function deskTimeFrom(past: readonly PastReview[]): DeskTime {
  const whole = past.filter((r) => r.deskMinutes > 0 && r.boutMinutes > 0);
  const apart = reviewKinds.every((kind) => whole.filter((r) => r.kind === kind).length >= enoughOfAKind);
  const alike = (kind: ReviewKind): PastReview[] => (apart ? whole.filter((r) => r.kind === kind) : whole);
  const written = (kind: ReviewKind): number =>
    beliefAfter(
      alike(kind)
        .filter((r) => !r.spoken)
        .map(ratioLog),
    ).mean;
  const longer = whole.filter((r) => r.spoken).map((r) => ratioLog(r) - written(r.kind));
  const spoken = (priorWeight * Math.log(priorSpoken) + sum(longer)) / (priorWeight + longer.length);
  const belief = (kind: ReviewKind): Belief => beliefAfter(alike(kind).map((r) => ratioLog(r) - (r.spoken ? spoken : 0)));
  return { of: { match: belief('match'), sparring: belief('sparring') }, apart, spoken, spokenReviews: longer.length };
}

/** Desk minutes expected of a review (the median), and the range that holds eight of ten. */
export interface DeskEstimate {
  minutes: number;
  low: number;
  high: number;
}

/** Minutes a review takes in the middle of cases; 0 for no footage. */
export const middleDeskMinutes = (time: DeskTime, { kind, boutMinutes, spoken }: ToReview): number =>
  Number.isFinite(boutMinutes) && boutMinutes > 0 ? boutMinutes * Math.exp(time.of[kind].mean + (spoken ? time.spoken : 0)) : 0;

/**
 * How long a review will take. Worked example: no past reviews, 5 minutes of bout → 15 minutes. The range is that of the next single review
 * (Student's t about the mean of the logarithms). All 0 for no footage.
 */
export function estimateDeskMinutes(time: DeskTime, review: ToReview): DeskEstimate {
  const minutes = middleDeskMinutes(time, review);
  const { weight, shape, rate } = time.of[review.kind];
  const reach = studentT(0.9, Math.round(2 * shape)) * Math.sqrt((rate * (weight + 1)) / (shape * weight));
  return { minutes, low: minutes * Math.exp(-reach), high: minutes * Math.exp(reach) };
}

/** No review takes more than so many times its estimate, or less than that part of it: what lies beyond is an interruption, not work. */
const mostTimes = 6;

/**
 * Draws how long reviews take, once in a world whose mean and spread are drawn too: when one takes longer than expected because this
 * coach is slower than believed, the others do as well. Gives minutes of a review, each call another stray.
 */
export function drawDeskTime(time: DeskTime, draws: Draws): (review: ToReview) => number {
  const worlds = Object.fromEntries(
    (time.apart ? reviewKinds : reviewKinds.slice(0, 1)).map((kind) => {
      const { mean, weight, shape, rate } = time.of[kind];
      const variance = rate / draws.gamma(shape);
      return [kind, { mean: mean + draws.normal() * Math.sqrt(variance / weight), stray: Math.sqrt(variance) }];
    }),
  ) as Partial<Record<ReviewKind, { mean: number; stray: number }>>;
  const limit = Math.log(mostTimes);
  return ({ kind, boutMinutes, spoken }) => {
    const { mean, stray } = worlds[kind] ?? worlds.match!;
    const log = mean + draws.normal() * stray;
    const middle = time.of[kind].mean;
    return boutMinutes * Math.exp(Math.min(Math.max(log, middle - limit), middle + limit) + (spoken ? time.spoken : 0));
  };
}

/** How good the estimates were: each review beside what those before it would have said. */
export interface EstimateRecord {
  reviews: number;
  /** How many took a time within the range that should hold eight of ten. */
  inRange: number;
  /** The middle of measured ÷ estimated; 1 is right, above 1 it took longer. Null without reviews. */
  middleRatio: number | null;
}

/** Looks back: `past` oldest first, each estimated from those before it alone. */
export function estimateRecord(past: readonly PastReview[]): EstimateRecord {
  const whole = past.filter((r) => r.deskMinutes > 0 && r.boutMinutes > 0);
  const beside = whole.map((review, i) => ({
    took: review.deskMinutes,
    said: estimateDeskMinutes(deskTimeFrom(whole.slice(0, i)), review),
  }));
  const ratios = beside.map(({ took, said }) => took / said.minutes).sort((a, b) => a - b);
  const middle = ratios.length >> 1;
  return {
    reviews: whole.length,
    inRange: beside.filter(({ took, said }) => took >= said.low && took <= said.high).length,
    middleRatio: ratios.length === 0 ? null : ratios.length % 2 === 1 ? ratios[middle]! : (ratios[middle - 1]! + ratios[middle]!) / 2,
  };
}
