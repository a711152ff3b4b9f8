import { z } from 'zod';
import { positionCodes } from '@lean-mentor/core/scoring';
import { frame, id } from './ids.ts';
import { coaching, everyRole, operation } from './operation.ts';

export const footageStates = ['uploading', 'waiting', 'working', 'ready', 'failed'] as const;

/** Where a footage is on its way. `share` 0..1 of the present step's whole; `secondsLeft` null while unknown. */
export const footageProgress = z.object({
  id,
  requestId: id,
  state: z.enum(footageStates),
  step: z.string(),
  share: z.number().min(0).max(1),
  secondsLeft: z.number().min(0).nullable(),
  /** Why it failed, in one sentence for the client. */
  failure: z.string().nullable(),
});
export type FootageProgress = z.infer<typeof footageProgress>;

export const span = z.object({
  position: z.enum(positionCodes),
  holder: z.enum(['client', 'partner']).nullable(),
  fromFrame: frame,
  toFrame: frame,
});

/** A bout inside footage: frames from inclusive, to exclusive. Spans may be empty while no positions are coded. */
export const bout = z.object({ id, fromFrame: frame, toFrame: frame, spans: z.array(span) });
export type Bout = z.infer<typeof bout>;

export const footage = footageProgress.extend({
  fileName: z.string(),
  byteSize: z.number().int().min(0),
  /** Known once probed; picture as shown, rotation applied. */
  width: z.number().int().nullable(),
  height: z.number().int().nullable(),
  frameCount: z.number().int().nullable(),
  seconds: z.number().nullable(),
  /** What is wrong with it for a reviewer, in words; empty where nothing is, and until it has been looked at. */
  advice: z.array(z.string()),
  bouts: z.array(bout),
});
export type Footage = z.infer<typeof footage>;

const params = z.object({ footageId: id });

export const getFrameTable = operation({
  name: 'getFrameTable',
  room: 'footage',
  method: 'get',
  path: '/api/footages/:footageId/frames',
  access: everyRole,
  summary: 'Presentation time in seconds of every frame of the review copy.',
  params,
  response: z.object({ times: z.array(z.number()), endSeconds: z.number() }),
});

const stretch = z.object({ fromFrame: frame, toFrame: frame });

export const getMotion = operation({
  name: 'getMotion',
  room: 'footage',
  method: 'get',
  path: '/api/footages/:footageId/motion',
  access: everyRole,
  summary: 'What was read off movement and sound: how active each frame is (0..1), lulls, bursts, where the action is lost, bells (s).',
  params,
  response: z.object({
    level: z.array(z.number().min(0).max(1)),
    lulls: z.array(stretch),
    bursts: z.array(stretch),
    lost: z.array(stretch.extend({ edge: z.enum(['left', 'right']) })),
    bells: z.array(z.number()),
    advice: z.array(stretch.extend({ kind: z.enum(['lost', 'dark']), words: z.string() })),
  }),
});

export const streamReviewCopy = operation({
  name: 'streamReviewCopy',
  room: 'footage',
  method: 'get',
  path: '/api/footages/:footageId/review.mp4',
  access: everyRole,
  summary: 'The review copy; range requests are answered.',
  params,
  stream: 'video/mp4',
});

export const getPoster = operation({
  name: 'getPoster',
  room: 'footage',
  method: 'get',
  path: '/api/footages/:footageId/poster.jpg',
  access: everyRole,
  summary: 'A still from a third of the way in.',
  params,
  stream: 'image/jpeg',
});

export const watchFootages = operation({
  name: 'watchFootages',
  room: 'footage',
  method: 'get',
  path: '/api/footages/watch',
  access: everyRole,
  summary: 'Server-sent events: the progress of every footage the caller may see, as it changes.',
  stream: 'text/event-stream',
});

export const retryFootage = operation({
  name: 'retryFootage',
  room: 'footage',
  method: 'post',
  path: '/api/footages/:footageId/retry',
  access: coaching,
  summary: 'Try again to make a failed footage ready.',
  params,
  response: footageProgress,
});

const upload = { room: 'footage', access: ['client', 'guardian'], stream: 'application/offset+octet-stream' } as const;
const uploadParams = z.object({ uploadId: z.string().regex(/^[a-f0-9]{32}$/) });

export const beginUpload = operation({
  ...upload,
  name: 'beginUpload',
  method: 'post',
  path: '/api/uploads',
  summary: 'tus 1.0: announce a file. Metadata names the footage that the request was answered with.',
});
export const continueUpload = operation({
  ...upload,
  name: 'continueUpload',
  method: 'patch',
  path: '/api/uploads/:uploadId',
  summary: 'tus 1.0: bytes from an offset on.',
  params: uploadParams,
});
export const askUploadOffset = operation({
  ...upload,
  name: 'askUploadOffset',
  method: 'head',
  path: '/api/uploads/:uploadId',
  summary: 'tus 1.0: how many bytes have arrived.',
  params: uploadParams,
});
export const askUploadAbilities = operation({
  ...upload,
  name: 'askUploadAbilities',
  method: 'options',
  path: '/api/uploads',
  summary: 'tus 1.0: what the server can do.',
});
