import type { TimedSpan } from './timedBout.ts';

export interface CoderAgreement {
  /** Seconds that both coded. */
  seconds: number;
  /** Share of them in which both say the same position and holder, 0..1. */
  agreed: number;
  /** Cohen's kappa, weighted by time: agreement beyond chance, at most 1. Null where chance alone would agree always. */
  kappa: number | null;
}

const labelOf = ({ position, holder }: TimedSpan): string => `${position} ${holder ?? ''}`;

/**
 * How far two coders of one bout agree, by time instead of by item: observed agreement is the share of time under one label, chance
 * agreement Σ p₁(label) · p₂(label) over the shares of time (Cohen 1960). Only what both coded is compared.
 */
export function coderAgreement(one: readonly TimedSpan[], other: readonly TimedSpan[]): CoderAgreement {
  const [first, second] = [new Map<string, number>(), new Map<string, number>()];
  let [seconds, same] = [0, 0];
  const add = (sums: Map<string, number>, label: string, worth: number): void => void sums.set(label, (sums.get(label) ?? 0) + worth);
  for (let i = 0, j = 0; i < one.length && j < other.length;) {
    const [a, b] = [one[i]!, other[j]!];
    const shared = Math.min(a.to, b.to) - Math.max(a.from, b.from);
    if (shared > 0) {
      seconds += shared;
      if (labelOf(a) === labelOf(b)) same += shared;
      add(first, labelOf(a), shared);
      add(second, labelOf(b), shared);
    }
    if (a.to <= b.to) i += 1;
    else j += 1;
  }
  if (seconds === 0) return { seconds: 0, agreed: 0, kappa: null };
  let chance = 0;
  for (const [label, worth] of first) chance += (worth / seconds) * ((second.get(label) ?? 0) / seconds);
  const agreed = same / seconds;
  return { seconds, agreed, kappa: chance < 1 - 1e-12 ? (agreed - chance) / (1 - chance) : null };
}
