import { bisect } from './bisect.ts';
import type { TwoByTwo } from './fisherExact.ts';
import { logChoose } from './logChoose.ts';
import type { Interval } from './poisson.ts';

/**
 * The distribution of the first cell with the margins as they are, at a logarithm of the odds ratio (Fisher's noncentral hypergeometric).
 */
function firstCell({ yes, no, otherYes, otherNo }: TwoByTwo) {
  const [row, other, allYes] = [yes + no, otherYes + otherNo, yes + otherYes];
  const least = Math.max(0, allYes - other);
  const cells = Array.from({ length: Math.min(row, allYes) - least + 1 }, (_, i) => least + i);
  const weights = cells.map((cell) => logChoose(row, cell) + logChoose(other, allYes - cell));
  const at = (logOdds: number): number[] => {
    const logs = cells.map((cell, i) => weights[i]! + cell * logOdds);
    const most = Math.max(...logs);
    const all = logs.map((log) => Math.exp(log - most));
    const sum = all.reduce((a, b) => a + b, 0);
    return all.map((weight) => weight / sum);
  };
  const sum = (logOdds: number, worth: (cell: number) => number): number =>
    at(logOdds).reduce((total, p, i) => total + p * worth(cells[i]!), 0);
  return { cells, sum };
}

/** Logarithms of odds are looked for within these. */
const widest = 40;

/**
 * Odds ratio of the first row to the second by Fisher's conditional estimate, with its exact two-sided interval (as R's fisher.test gives
 * them). Infinity and 0 at the ends; null where the margins leave no choice.
 */
export function oddsRatio(table: TwoByTwo, confidence = 0.9): { ratio: number | null; interval: Interval } {
  const { cells, sum } = firstCell(table);
  const [least, most] = [cells[0]!, cells.at(-1)!];
  const { yes } = table;
  if (least === most) return { ratio: null, interval: [0, Infinity] };
  const tail = (1 - confidence) / 2;
  const solve = (rising: (logOdds: number) => number): number => Math.exp(bisect(rising, -widest, widest));
  const ratio = yes === least ? 0 : yes === most ? Infinity : solve((log) => sum(log, (cell) => cell) - yes);
  const low = yes === least ? 0 : solve((log) => sum(log, (cell) => Number(cell >= yes)) - tail);
  const high = yes === most ? Infinity : solve((log) => tail - sum(log, (cell) => Number(cell <= yes)));
  return { ratio, interval: [low, high] };
}
