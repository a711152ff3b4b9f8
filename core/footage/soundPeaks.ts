/** Loudness of a sound as `bars` bars, 0..1: the largest sample of each, against the largest of all; silence stays 0. */
export function soundPeaks(samples: ArrayLike<number>, bars: number): number[] {
  const peaks = new Array<number>(bars).fill(0);
  if (bars === 0) return peaks;
  for (let i = 0; i < samples.length; i++) {
    const bar = Math.min(bars - 1, Math.floor((i * bars) / samples.length));
    const loud = Math.abs(samples[i]!);
    if (loud > peaks[bar]!) peaks[bar] = loud;
  }
  const most = Math.max(...peaks);
  // Hiss of a silent room is not drawn as if it were speech.
  const against = Math.max(most, 0.05);
  return peaks.map((peak) => Math.round((peak / against) * 100) / 100);
}
