/** One thing in the margin: where on the page it belongs, and how tall it is (same unit, downward). */
export interface MarginItem {
  id: string;
  anchor: number;
  height: number;
}

/**
 * Tops of margin items so that none overlap, order by anchor is kept and the sum of squared moves is least
 * (pool-adjacent-violators on the gap-reduced positions, Barlow et al. 1972). Items stay on the page, from 0 to
 * `pageHeight`, as long as they fit on it together; where they do not, they begin at 0 and run over its end.
 */
export function fanMargin(items: readonly MarginItem[], gap: number, pageHeight: number): Map<string, number> {
  const sorted = items.map((item, order) => ({ item, order })).sort((a, b) => a.item.anchor - b.item.anchor || a.order - b.order);
  // Without the heights above it, each item wants its anchor (centred) and the sequence must not decrease.
  let above = 0;
  const pools: { sum: number; count: number }[] = [];
  const offsets: number[] = [];
  for (const { item } of sorted) {
    offsets.push(above);
    pools.push({ sum: item.anchor - item.height / 2 - above, count: 1 });
    above += item.height + gap;
    while (pools.length > 1) {
      const last = pools[pools.length - 1]!;
      const before = pools[pools.length - 2]!;
      if (before.sum / before.count <= last.sum / last.count) break;
      pools.pop();
      before.sum += last.sum;
      before.count += last.count;
    }
  }
  const tops = new Map<string, number>();
  let at = 0;
  // Bounds on a monotone fit are met by clamping it; the last item's gap is not on the page.
  const lowest = Math.max(0, pageHeight - Math.max(0, above - gap));
  for (const pool of pools)
    for (let k = 0; k < pool.count; k++, at++)
      tops.set(sorted[at]!.item.id, Math.min(lowest, Math.max(0, pool.sum / pool.count)) + offsets[at]!);
  return tops;
}
