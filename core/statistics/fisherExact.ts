import { logChoose } from './logChoose.ts';

/** Four whole numbers, 0 or more: the rows are the groups, the columns yes and no. */
export interface TwoByTwo {
  yes: number;
  no: number;
  otherYes: number;
  otherNo: number;
}

/**
 * Fisher's exact test, one-sided: the probability of a table with at least as many in its first cell, with the margins as they are,
 * when both groups are alike (Fisher 1935; the hypergeometric upper tail). Worked example, the lady tasting tea: 3, 1, 1, 3 gives
 * 17 ÷ 70 = 0.2429. Counts must be whole and not negative.
 */
export function fisherExact({ yes, no, otherYes, otherNo }: TwoByTwo): number {
  for (const count of [yes, no, otherYes, otherNo])
    if (!Number.isInteger(count) || count < 0) throw new RangeError(`${count} is no count of a two-by-two table.`);
  const [row, allYes, all] = [yes + no, yes + otherYes, yes + no + otherYes + otherNo];
  const whole = logChoose(all, row);
  let p = 0;
  for (let first = yes; first <= Math.min(row, allYes); first++)
    if (row - first <= all - allYes) p += Math.exp(logChoose(allYes, first) + logChoose(all - allYes, row - first) - whole);
  return Math.min(1, p);
}
