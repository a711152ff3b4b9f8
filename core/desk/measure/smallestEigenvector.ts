const mostSweeps = 60;

/**
 * Unit eigenvector of the smallest eigenvalue of a symmetric matrix, by cyclic Jacobi rotations (Golub & Van Loan, §8.5).
 * `gap` is the distance to the next eigenvalue as a share of the largest: near 0 the vector is not determined.
 */
export function smallestEigenvector(symmetric: readonly (readonly number[])[]): { vector: number[]; gap: number } {
  const n = symmetric.length;
  const a = symmetric.map((row) => [...row]);
  const v = a.map((_, i) => a.map((_, j) => (i === j ? 1 : 0)));
  for (let sweep = 0; sweep < mostSweeps; sweep++) {
    let off = 0;
    for (let p = 0; p < n; p++) for (let q = p + 1; q < n; q++) off += a[p]![q]! ** 2;
    if (off < 1e-28) break;
    for (let p = 0; p < n; p++) for (let q = p + 1; q < n; q++) rotate(a, v, p, q);
  }
  const order = a.map((row, i) => ({ value: row[i]!, i })).sort((x, y) => x.value - y.value);
  const [smallest, next, largest] = [order[0]!, order[1]!, order[n - 1]!];
  return { vector: v.map((row) => row[smallest.i]!), gap: (next.value - smallest.value) / Math.max(Math.abs(largest.value), 1e-300) };
}

/** One rotation that makes a[p][q] zero. */
function rotate(a: number[][], v: number[][], p: number, q: number): void {
  const apq = a[p]![q]!;
  if (apq === 0) return;
  const theta = (a[q]![q]! - a[p]![p]!) / (2 * apq);
  const t = Math.sign(theta || 1) / (Math.abs(theta) + Math.sqrt(theta * theta + 1));
  const c = 1 / Math.sqrt(t * t + 1);
  const s = t * c;
  for (const row of a) [row[p], row[q]] = [c * row[p]! - s * row[q]!, s * row[p]! + c * row[q]!];
  const [rowP, rowQ] = [[...a[p]!], [...a[q]!]];
  a[p] = rowP.map((x, k) => c * x - s * rowQ[k]!);
  a[q] = rowQ.map((x, k) => s * rowP[k]! + c * x);
  for (const row of v) [row[p], row[q]] = [c * row[p]! - s * row[q]!, s * row[p]! + c * row[q]!];
}
