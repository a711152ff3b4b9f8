import { bisect } from './bisect.ts';

/** Share of Student's t with a whole number of degrees of freedom between −|t| and |t|: Abramowitz & Stegun 26.7.3 and 26.7.4. */
function between(t: number, freedom: number): number {
  const angle = Math.atan(Math.abs(t) / Math.sqrt(freedom));
  const sine = Math.sin(angle);
  const square = Math.cos(angle) ** 2;
  const odd = freedom % 2 === 1;
  let term = odd ? Math.cos(angle) : 1;
  let sum = 0;
  for (let k = odd ? 1 : 0; k <= freedom - 2; k += 2) {
    sum += term;
    term *= (square * (k + 1)) / (k + 2);
  }
  return odd ? (2 / Math.PI) * (angle + sine * sum) : sine * sum;
}

/** From so many degrees on the quantile changes by less than a thousandth. */
const mostFreedom = 1000;

/**
 * Quantile of Student's t with a whole number of degrees of freedom of at least 1, `share` between 0.0001 and 0.9999.
 * Worked example: 0.9 with 4 degrees → 1.5332.
 */
export function studentT(share: number, freedom: number): number {
  if (share === 0.5) return 0;
  const inside = Math.abs(2 * share - 1);
  const t = bisect((x) => between(x, Math.min(freedom, mostFreedom)) - inside, 0, 4000);
  return share < 0.5 ? -t : t;
}
