import type { RankedFix } from './rankFixes.ts';

/** What the coach decided about the candidates of a request; principles by id. */
export interface FixChoice {
  /** The coach's own order; null: as computed. What it does not name follows as computed. */
  order: readonly string[] | null;
  /** How many, from the top, are sent. */
  cut: number;
  pinned: readonly string[];
  parked: readonly string[];
}

export interface Ladder {
  /** As they stand on the ladder, parked ones left out. */
  rungs: RankedFix[];
  parked: RankedFix[];
  cut: number;
  /** The first ones of the computed order that the coach's order puts elsewhere or leaves out. */
  differs: boolean;
}

/** The ladder as the coach has it: pinned first, then in the coach's order, then as computed. */
export function ladderOf(ranked: readonly RankedFix[], { order, cut, pinned, parked }: FixChoice): Ladder {
  const place = new Map((order ?? []).map((id, i) => [id, i]));
  const standing = ranked.filter(({ principle }) => !parked.includes(principle));
  const isPinned = ({ principle, pinned: safety }: RankedFix): boolean => safety || pinned.includes(principle);
  const computed = new Map(standing.map(({ principle }, i) => [principle, i]));
  // Of two that the order does not name, Infinity − Infinity is NaN, which `||` passes over.
  const rungs = [...standing].sort(
    (a, b) =>
      Number(isPinned(b)) - Number(isPinned(a)) ||
      (place.get(a.principle) ?? Infinity) - (place.get(b.principle) ?? Infinity) ||
      computed.get(a.principle)! - computed.get(b.principle)!,
  );
  const sent = Math.max(0, Math.min(cut, rungs.length));
  return {
    rungs,
    parked: ranked.filter(({ principle }) => parked.includes(principle)),
    cut: sent,
    differs: rungs.slice(0, sent).some(({ principle }, i) => principle !== ranked[i]?.principle),
  };
}

/** How far a sent order went with a computed one: whether it began with the same, and how many of it were among the first of it. */
export function orderAgreement(computed: readonly string[], sent: readonly string[]): { first: boolean; among: number; of: number } {
  const top = computed.slice(0, sent.length);
  return { first: sent.length > 0 && sent[0] === computed[0], among: sent.filter((id) => top.includes(id)).length, of: sent.length };
}
