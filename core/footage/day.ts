interface OfDay {
  id: string;
  order: number;
}

/** Bouts of one day in their order; those of the same place stay as they were given. */
export const inDayOrder = <B extends OfDay>(bouts: readonly B[]): B[] => [...bouts].sort((a, b) => a.order - b.order);

/** The same bouts, numbered from 1 without gaps, in their order. */
export const renumbered = <B extends OfDay>(bouts: readonly B[]): B[] => inDayOrder(bouts).map((bout, i) => ({ ...bout, order: i + 1 }));

/** One bout moved earlier (−1) or later (1) in the day, all numbered anew; at either end it stays. */
export function movedInDay<B extends OfDay>(bouts: readonly B[], id: string, by: 1 | -1): B[] {
  const day = inDayOrder(bouts);
  const from = day.findIndex((bout) => bout.id === id);
  const to = from + by;
  if (from >= 0 && to >= 0 && to < day.length) [day[from], day[to]] = [day[to]!, day[from]!];
  return day.map((bout, i) => ({ ...bout, order: i + 1 }));
}
