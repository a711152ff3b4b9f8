import { z } from 'zod';
import { id } from './ids.ts';

/** Seconds of a recording. */
export const takeSeconds = z.number().min(0).max(36_000);
const stretch = { from: takeSeconds, to: takeSeconds };
export const takeCuts = z.array(z.object(stretch)).max(5000);
export const takeCaptions = z
  .array(z.object({ ...stretch, words: z.string().max(1000), origin: z.enum(['typed', 'drafted', 'heard']) }))
  .max(20_000);
export const takeChapters = z.array(z.object({ from: takeSeconds, title: z.string().max(200) })).max(500);
/** What can be changed of a spoken critique; times are seconds of the recording. */
export const deskTake = z.object({
  id,
  footageId: id,
  title: z.string().max(120).default(''),
  cuts: takeCuts.default([]),
  captions: takeCaptions.default([]),
  chapters: takeChapters.default([]),
  noteId: id.optional(),
  denoise: z.boolean().optional(),
});
