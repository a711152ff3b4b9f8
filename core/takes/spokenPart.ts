import type { Seconds } from '../footage/index.ts';
import type { Take } from './take.ts';

/** A stretch of a take by itself: the same take, with all that lies outside of it cut out. Null: from its beginning, to its end. */
export const spokenPart = (take: Take, from: Seconds | null, to: Seconds | null): Take => ({
  ...take,
  cuts: [
    ...take.cuts,
    ...(from !== null && from > 0 ? [{ from: 0, to: from }] : []),
    ...(to !== null && to < take.seconds ? [{ from: to, to: take.seconds }] : []),
  ],
});
