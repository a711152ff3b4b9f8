import { z } from 'zod';
import { takeCaptions, takeChapters, takeSeconds } from './deskTake.ts';
import { id } from './ids.ts';

/** Something spoken in a critique as it was sent. Times are seconds of what is heard: what was cut out has never been. */
export const sentTake = z.object({
  takeId: id,
  /** The stretch of the recording that it is; null: from its beginning, to its end. */
  from: takeSeconds.nullable(),
  to: takeSeconds.nullable(),
  title: z.string(),
  footageId: id,
  seconds: takeSeconds,
  captions: takeCaptions,
  chapters: takeChapters,
  /** Its voice has been made ready. */
  ready: z.boolean(),
  /** What the client has listened to, in the order in which it was; where it was left is the end of the last. */
  heard: z.array(z.object({ from: takeSeconds, to: takeSeconds })),
});
export type SentTake = z.infer<typeof sentTake>;
