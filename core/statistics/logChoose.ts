const factorials: number[] = [0];

/** Natural logarithm of n!, summed up and remembered. n whole, 0 or more. */
export function logFactorial(n: number): number {
  if (!Number.isInteger(n) || n < 0) throw new RangeError(`${n} has no factorial here: whole numbers from 0.`);
  for (let i = factorials.length; i <= n; i++) factorials.push(factorials[i - 1]! + Math.log(i));
  return factorials[n]!;
}

/** Natural logarithm of n over k; 0 ≤ k ≤ n. */
export const logChoose = (n: number, k: number): number => logFactorial(n) - logFactorial(k) - logFactorial(n - k);
