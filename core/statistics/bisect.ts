/** Halvings of the interval: enough for every digit of a number. */
const halvings = 200;

/** Where a rising function crosses zero between two points; an end where it does not. */
export function bisect(rising: (x: number) => number, from: number, to: number): number {
  let [low, high] = [from, to];
  for (let i = 0; i < halvings && high - low > 1e-15 * Math.max(1, Math.abs(low)); i++) {
    const middle = (low + high) / 2;
    if (rising(middle) < 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
