import { z } from 'zod';
import { critique, momentPictures, sentFix, shownFootage, shownMoment } from './critique.ts';
import { done, id, instant, linkToken, written } from './ids.ts';
import { everyRole, operation } from './operation.ts';

const byCritique = z.object({ critiqueId: id });

/** The frames of a moment's clip, so that what is drawn lies on its own: each one's seconds of the footage, from `fromFrame` on. */
export const clipFrames = z.object({
  fromFrame: z.int(),
  times: z.array(z.number()),
  /** The bout's clock at the moment, in seconds. */
  clockSeconds: z.number(),
});
export type ClipFrames = z.infer<typeof clipFrames>;

/** What a reader with a link sees, and no more than is on the page: its words, moments and clips. */
export const sharedCritique = critique
  .pick({ coachName: true, clientName: true, sentAt: true, doc: true, clips: true, scores: true, takes: true })
  .extend({
    fixes: z.array(sentFix.pick({ position: true, fixId: true })),
    moments: z.array(shownMoment),
    footages: z.array(shownFootage),
    frames: z.record(z.string(), clipFrames),
  });
export type SharedCritique = z.infer<typeof sharedCritique>;

export const readLink = z.object({ id, forName: z.string(), madeAt: instant, expiresAt: instant, opened: z.int() });
export type ReadLink = z.infer<typeof readLink>;

export const listReadLinks = operation({
  name: 'listReadLinks',
  room: 'links',
  method: 'get',
  path: '/api/critiques/:critiqueId/links',
  access: everyRole,
  about: ['link'],
  summary: 'Links by which somebody without a sign-in reads this critique, newest first. The address itself is shown only when it is made.',
  params: byCritique,
  response: z.object({ links: z.array(readLink) }),
});

export const makeReadLink = operation({
  name: 'makeReadLink',
  room: 'links',
  method: 'post',
  path: '/api/critiques/:critiqueId/links',
  access: ['coach'],
  about: ['link'],
  summary: "Makes a link for the client's home coach: read-only, for some days. Its token is answered once and kept nowhere.",
  params: byCritique,
  body: z.object({ forName: written(120), days: z.int().min(1).max(60) }),
  response: readLink.extend({ token: linkToken }),
});

export const endReadLink = operation({
  name: 'endReadLink',
  room: 'links',
  method: 'delete',
  path: '/api/critiques/:critiqueId/links/:linkId',
  access: ['coach', 'client', 'guardian'],
  evenWithoutRoom: true,
  about: ['link'],
  summary: 'Ends a link now. Whose critique it is may do that as well as who wrote it.',
  params: byCritique.extend({ linkId: id }),
  response: done,
});

export const getSharedCritique = operation({
  name: 'getSharedCritique',
  room: 'links',
  method: 'get',
  path: '/api/shared/:token',
  access: 'anyone',
  summary: 'A critique by a link that has not expired.',
  params: z.object({ token: linkToken }),
  response: sharedCritique,
});

export const getSharedStill = operation({
  name: 'getSharedStill',
  room: 'links',
  method: 'get',
  path: '/api/shared/:token/moments/:noteId/pictures/:picture',
  access: 'anyone',
  summary: 'The exact frame of a moment with its drawings, or the frames that were laid beside each other, by a link.',
  params: z.object({ token: linkToken, noteId: id, picture: z.enum(momentPictures) }),
  stream: 'image/png',
});

export const getSharedClip = operation({
  name: 'getSharedClip',
  room: 'links',
  method: 'get',
  path: '/api/shared/:token/moments/:noteId/clip.mp4',
  access: 'anyone',
  summary: 'The seconds around a moment, by a link: never the whole footage.',
  params: z.object({ token: linkToken, noteId: id }),
  stream: 'video/mp4',
});

export const getSharedCoachClip = operation({
  name: 'getSharedCoachClip',
  room: 'links',
  method: 'get',
  path: '/api/shared/:token/clips/:clipId/video',
  access: 'anyone',
  summary: "A clip of the coach's own that the critique shows, by a link.",
  params: z.object({ token: linkToken, clipId: id }),
  stream: 'video/mp4',
});

export const getSharedVoice = operation({
  name: 'getSharedVoice',
  room: 'links',
  method: 'get',
  path: '/api/shared/:token/takes/:place/voice.m4a',
  access: 'anyone',
  summary: 'The voice of something spoken in the critique, by a link.',
  params: z.object({ token: linkToken, place: z.coerce.number().int().min(0).max(200) }),
  stream: 'audio/mp4',
});
