/** A stretch of footage: frames, `fromFrame` inclusive, `toFrame` exclusive. */
export interface Stretch {
  fromFrame: number;
  toFrame: number;
}

/** A value of sorted numbers at a share of the way, 0..1 (nearest rank); 0 of none. */
export const quantileOf = (sorted: Float64Array, share: number): number =>
  sorted.length === 0 ? 0 : sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(share * (sorted.length - 1))))]!;

/**
 * Stretches in which a value stays up: entered at `enter`, left below `leave` (hysteresis), at least `leastSeconds` long.
 * `secondsAt` gives the time of a frame, and of the frame after the last one the footage's end.
 */
export function stretchesAbove(
  values: ArrayLike<number>,
  { enter, leave, leastSeconds }: { enter: number; leave: number; leastSeconds: number },
  secondsAt: (frame: number) => number,
): Stretch[] {
  const found: Stretch[] = [];
  let since = -1;
  const close = (toFrame: number): void => {
    if (since >= 0 && secondsAt(toFrame) - secondsAt(since) >= leastSeconds) found.push({ fromFrame: since, toFrame });
    since = -1;
  };
  for (let frame = 0; frame < values.length; frame++) {
    if (since < 0 && values[frame]! >= enter) since = frame;
    else if (since >= 0 && values[frame]! < leave) close(frame);
  }
  close(values.length);
  return found;
}
