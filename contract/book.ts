import { z } from 'zod';
import { done, id, instant, written } from './ids.ts';
import { coaching, operation } from './operation.ts';

/** Largest video of a clip, in bytes. */
export const mostClipBytes = 512 * 1024 ** 2;
const title = written(120);

/** A short video of the coach's own that shows how something is done. */
export const clip = z.object({
  id,
  title,
  /** empty: its video has not arrived; working: it is being made ready. */
  state: z.enum(['empty', 'working', 'ready', 'failed']),
  failure: z.string().nullable(),
  seconds: z.number().nullable(),
  madeAt: instant,
});
export type Clip = z.infer<typeof clip>;

const params = z.object({ clipId: id });

export const listClips = operation({
  name: 'listClips',
  room: 'book',
  method: 'get',
  path: '/api/clips',
  access: coaching,
  about: ['clip'],
  summary: "The coach's own clips, by title.",
  response: z.object({ clips: z.array(clip) }),
});

export const addClip = operation({
  name: 'addClip',
  room: 'book',
  method: 'post',
  path: '/api/clips',
  access: coaching,
  about: ['clip'],
  summary: 'A new clip; its video follows.',
  body: z.object({ id, title }),
  response: clip,
});

export const saveClipVideo = operation({
  name: 'saveClipVideo',
  room: 'book',
  method: 'put',
  path: '/api/clips/:clipId/video',
  access: coaching,
  summary: "A clip's video as it was recorded. It is made ready as footage is; a second sending replaces the first.",
  params,
  response: clip,
});

export const renameClip = operation({
  name: 'renameClip',
  room: 'book',
  method: 'patch',
  path: '/api/clips/:clipId',
  access: coaching,
  about: ['clip'],
  summary: 'Gives a clip another title.',
  params,
  body: z.object({ title }),
  response: clip,
});

export const removeClip = operation({
  name: 'removeClip',
  room: 'book',
  method: 'delete',
  path: '/api/clips/:clipId',
  access: coaching,
  evenWithoutRoom: true,
  about: ['clip'],
  summary: 'Takes a clip and its video away; notes that showed it show none.',
  params,
  response: done,
});

export const streamClip = operation({
  name: 'streamClip',
  room: 'book',
  method: 'get',
  path: '/api/clips/:clipId/video',
  access: coaching,
  summary: "A clip's review copy, whole or the range that is asked for.",
  params,
  stream: 'video/mp4',
});

export const getClipPoster = operation({
  name: 'getClipPoster',
  room: 'book',
  method: 'get',
  path: '/api/clips/:clipId/poster.jpg',
  access: coaching,
  summary: 'A small still of a clip.',
  params,
  stream: 'image/jpeg',
});
