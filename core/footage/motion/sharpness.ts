/**
 * How sharp a picture is: the variance of its Laplacian, a measure of focus (Pech-Pacheco et al. 2000), over the mean square of its
 * gradients, so that it speaks of the finest detail and not of contrast. `luma` row by row, `width` × `height`; 0 for a flat one.
 */
export function sharpnessOf(luma: Uint8Array, width: number, height: number): number {
  let sum = 0;
  let squares = 0;
  let slope = 0;
  const count = Math.max(1, (width - 2) * (height - 2));
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const at = y * width + x;
      const [left, right, up, down] = [luma[at - 1]!, luma[at + 1]!, luma[at - width]!, luma[at + width]!];
      const laplacian = left + right + up + down - 4 * luma[at]!;
      sum += laplacian;
      squares += laplacian * laplacian;
      slope += (right - left) ** 2 + (down - up) ** 2;
    }
  const variance = squares / count - (sum / count) ** 2;
  // Below this nothing but noise and coding is left to judge.
  return slope / count < 4 ? 0 : variance / (slope / count);
}
