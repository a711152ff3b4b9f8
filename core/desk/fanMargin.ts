/** One thing in the margin: where on the page it belongs, and how tall it is (same unit, downward). */
export interface MarginItem {
  id: string;
  anchor: number;
  height: number;
}

/**
 * Tops of margin items so that none overlap, order by anchor is kept and the sum of squared moves is least
 * (pool-adjacent-violators on the gap-reduced positions, Barlow et al. 1972). Items are pushed off the page's top
 * edge, never above 0.
 */
export function fanMargin(items: readonly MarginItem[], gap: number): Map<string, number> {
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
  for (const pool of pools)
    for (let k = 0; k < pool.count; k++, at++) tops.set(sorted[at]!.item.id, Math.max(0, pool.sum / pool.count) + offsets[at]!);
  return tops;
}
