/** How far making a review copy has come. */
export interface MakingSoFar {
  /** Since it began, in seconds of work. */
  elapsedSeconds: number;
  /** Of the footage, in its own seconds: what is made, and how long all of it is. */
  madeSeconds: number;
  wholeSeconds: number;
  /** How much of it the last edition holds, in the footage's seconds; 0 before the first. */
  lastSeconds: number;
}

/** Opening at 20 s after the last byte is the goal: so much of it is given to making, the rest to fetching, copying and showing. */
const firstAfterSeconds = 8;
/** A first stretch shorter than this, in seconds, shows nothing. */
const leastSeconds = 2;
/** Each edition is at least so much longer than the one before it. */
const growth = 1.5;
/** Where all of it comes within so many seconds, nothing is shown before. */
const wholeSoonSeconds = 10;

/**
 * Whether what is made of a review copy should be shown now, before the rest is there. Every edition holds everything from the first
 * frame on, so all of them together are written as often as their lengths add up: with a growth of 1.5 at most three times the
 * whole (the sum of 1 / 1.5ⁿ), however long it is.
 */
export function isEditionDue({ elapsedSeconds, madeSeconds, wholeSeconds, lastSeconds }: MakingSoFar): boolean {
  if (madeSeconds < leastSeconds || elapsedSeconds < firstAfterSeconds) return false;
  const leftSeconds = (elapsedSeconds / madeSeconds) * (wholeSeconds - madeSeconds);
  return leftSeconds > wholeSoonSeconds && madeSeconds >= lastSeconds * growth;
}
