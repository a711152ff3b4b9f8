import type { ToReview } from './deskTime.ts';

/** Ways to decide what is reviewed next; see docs/domain.md §9. */
export const orderPolicies = ['due-first', 'plan-rank', 'shortest-first', 'fair-share', 'least-weighted-lateness'] as const;
export type OrderPolicy = (typeof orderPolicies)[number];

/** A review that waits. Instants are epoch ms. */
export interface WaitingReview extends ToReview {
  id: string;
  client: string;
  /** When footage and context were complete. */
  readyAt: number;
  dueAt: number;
  /** Rank of the client's plan, 1 first. */
  planRank: number;
  /** What an hour of lateness weighs. */
  weight: number;
  /** How long it takes, when that is known; otherwise it is drawn. */
  deskMinutes?: number;
  /** Already spent on it. */
  spentMinutes?: number;
  /** Put at this place of the order by hand, 0 first. */
  place?: number;
}

type Ordered = Pick<WaitingReview, 'id' | 'client' | 'readyAt' | 'dueAt' | 'planRank'> & { minutes: number };

const byText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** What every policy falls back on: promised first, then ready first, then by name. */
export const byPromise = (a: Pick<Ordered, 'dueAt' | 'readyAt' | 'id'>, b: Pick<Ordered, 'dueAt' | 'readyAt' | 'id'>): number =>
  a.dueAt - b.dueAt || a.readyAt - b.readyAt || byText(a.id, b.id);

/** One of each client in turn, clients in the order of their oldest request, each client's own by promise. */
function fairShare<T extends Ordered>(reviews: readonly T[]): T[] {
  const ofClient = new Map<string, T[]>();
  for (const review of [...reviews].sort(byPromise)) ofClient.set(review.client, [...(ofClient.get(review.client) ?? []), review]);
  const oldest = (mine: readonly T[]): T => mine.reduce((a, b) => ((b.readyAt - a.readyAt || byPromise(b, a)) < 0 ? b : a));
  const turns = [...ofClient.values()]
    .map((mine) => ({ mine, first: oldest(mine) }))
    .sort((a, b) => a.first.readyAt - b.first.readyAt || byPromise(a.first, b.first));
  const rounds = Math.max(0, ...turns.map(({ mine }) => mine.length));
  return Array.from({ length: rounds }, (_, round) => turns.flatMap(({ mine }) => mine.slice(round, round + 1))).flat();
}

type SimplePolicy = Exclude<OrderPolicy, 'least-weighted-lateness'>;

const simpleOrders: Record<SimplePolicy, <T extends Ordered>(reviews: readonly T[]) => T[]> = {
  'due-first': (reviews) => [...reviews].sort(byPromise),
  'plan-rank': (reviews) => [...reviews].sort((a, b) => a.planRank - b.planRank || byPromise(a, b)),
  'shortest-first': (reviews) => [...reviews].sort((a, b) => a.minutes - b.minutes || byPromise(a, b)),
  'fair-share': fairShare,
};

/** The order of a policy that looks at nothing but the reviews themselves. */
export const simpleOrder = <T extends Ordered>(policy: SimplePolicy, reviews: readonly T[]): T[] => simpleOrders[policy](reviews);

/** An order with those moved by hand at their places: the lowest place first, each where it was put as far as there are so many. */
export function withPlaces<T extends { place?: number }>(order: readonly T[]): T[] {
  const moved = order.filter(({ place }) => place !== undefined).sort((a, b) => a.place! - b.place!);
  const out = order.filter(({ place }) => place === undefined);
  for (const review of moved) out.splice(Math.min(review.place!, out.length), 0, review);
  return out;
}
