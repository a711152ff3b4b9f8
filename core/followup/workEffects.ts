import { poissonUpTo, type Interval } from '../statistics/index.ts';

/** One client before something was given for a fix and after it: what went wrong, of how many chances or minutes. */
export interface BeforeAfter {
  clientId: string;
  before: { wrong: number; exposure: number };
  after: { wrong: number; exposure: number };
}

export interface WorkEffect {
  clients: number;
  /** How much of what was to be expected went wrong afterwards, drawn towards 1; below 1: fewer. Null: too few to say. */
  ratio: number | null;
  /** 90 %, of the same. */
  interval: Interval | null;
}

/** Below so many clients nothing is said. */
export const fewestClients = 5;
/** The ratio is drawn towards 1 as if so many mistakes more had been expected and seen. Whole, so that the gamma is a Poisson tail. */
const ratioWeight = 2;
const tail = 0.05;

/** The value below which a gamma with a whole shape and rate 1 lies with probability `p`: P(gamma ≤ x) = P(Poisson(x) ≥ shape). */
function gammaQuantile(shape: number, p: number): number {
  let [low, high] = [0, shape + 10 * Math.sqrt(shape) + 10];
  for (let step = 0; step < 80; step++) {
    const middle = (low + high) / 2;
    if (1 - poissonUpTo(shape - 1, middle) < p) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

const sum = (of: (one: BeforeAfter) => number, all: readonly BeforeAfter[]): number => all.reduce((total, one) => total + of(one), 0);

/**
 * What rate each client truly began at, as far as all of them tell: between their own and that of all, nearer to their own the more clients
 * differ beyond what Poisson counts do by themselves (gamma–Poisson by moments; Clayton and Kaldor 1987).
 */
function startOf(everyone: readonly BeforeAfter[]): (one: BeforeAfter) => number {
  const known = everyone.filter(({ before }) => before.exposure > 0);
  const exposure = sum(({ before }) => before.exposure, known);
  // Half a mistake more, so that a rate of nothing expects a little.
  const rate = (sum(({ before }) => before.wrong, known) + 0.5) / exposure;
  const spread = sum(({ before }) => before.exposure * (before.wrong / before.exposure - rate) ** 2, known) - (known.length - 1) * rate;
  const variance = spread / (exposure - sum(({ before }) => before.exposure ** 2, known) / exposure);
  if (!(variance > 0)) return () => rate;
  const weight = rate ** 2 / variance;
  return ({ before }) => (before.wrong + weight) / (before.exposure + weight / rate);
}

/**
 * Whether something that was given moved a fix, over clients who began at different rates: mistakes seen afterwards to those expected from
 * each client's own start. Starts are shrunk towards that of `everyone`, since who began worst by luck gets better by luck; the ratio is
 * shrunk towards 1. A help for choosing, over work and never over people. Below `fewestClients` nothing is said. `everyone`: all clients
 * with this fix, those of `group` among them.
 */
export function workEffect(group: readonly BeforeAfter[], everyone: readonly BeforeAfter[]): WorkEffect {
  const told = group.filter(({ before, after }) => before.exposure > 0 && after.exposure > 0);
  const clients = new Set(told.map(({ clientId }) => clientId)).size;
  if (clients < fewestClients) return { clients, ratio: null, interval: null };
  const start = startOf(everyone);
  const expected = sum((one) => start(one) * one.after.exposure, told) + ratioWeight;
  const seen = sum(({ after }) => after.wrong, told) + ratioWeight;
  return {
    clients,
    ratio: seen / expected,
    interval: [gammaQuantile(seen, tail) / expected, gammaQuantile(seen, 1 - tail) / expected],
  };
}
