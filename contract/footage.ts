import { adviceKinds, pictureEdges, type FootageSound, type FrameTable } from '@lean-mentor/core/footage';
import { z } from 'zod';
import { bout } from './bouts.ts';
import { frame, id, instant } from './ids.ts';
import { coaching, everyRole, operation } from './operation.ts';
import { sameAs } from './sameAs.ts';

/** removed: the client took it back or the partner's consent was withdrawn; nothing of it is left but its name. */
export const footageStates = ['uploading', 'waiting', 'working', 'ready', 'failed', 'removed'] as const;

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
  /** Of one that failed: whether making it ready again can help. Where it cannot, the file is to be replaced. */
  retryHelps: z.boolean(),
  /** What can be looked at while the rest is being made ready: the edition to ask for, and how many seconds it holds. */
  soFar: z.object({ edition: z.int().min(1), seconds: z.number().min(0) }).nullable(),
});
export type FootageProgress = z.infer<typeof footageProgress>;

export const alignedBy = ['sound', 'motion', 'hand'] as const;
/** How a second camera's clock lies against the first: its second 0 is second `offsetSeconds` of the other. */
export const alignment = z.object({
  toFootageId: id,
  offsetSeconds: z.number().min(-86_400).max(86_400),
  /** 0..1: how clearly this offset beats every other; null where it was set by hand. */
  confidence: z.number().min(0).max(1).nullable(),
  by: z.enum(alignedBy),
});
export type Alignment = z.infer<typeof alignment>;

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
  /** Set where it shows the same bouts as another footage of the request. */
  alignment: alignment.nullable(),
  /** Whether client and guardian have let it go; the coaching side is shown no other. */
  released: z.boolean(),
});
export type Footage = z.infer<typeof footage>;

const params = z.object({ footageId: id });

const frameTable = sameAs<FrameTable>()(z.object({ times: z.array(z.number()), endSeconds: z.number() }));

export const getFrameTable = operation({
  name: 'getFrameTable',
  room: 'footage',
  method: 'get',
  path: '/api/footages/:footageId/frames',
  access: everyRole,
  summary: 'Presentation time in seconds of every frame of the review copy.',
  params,
  response: frameTable,
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
    lost: z.array(stretch.extend({ edge: z.enum(pictureEdges) })),
    /** First frames of new shots: the recording was cut there. */
    cuts: z.array(frame),
    bells: z.array(z.number()),
    advice: z.array(stretch.extend({ kind: z.enum(adviceKinds), words: z.string() })),
    /** The strip: small pictures row by row in one image, and the frame each shows. */
    strip: z.object({ columns: z.int(), width: z.int(), height: z.int(), frames: z.array(frame) }),
  }),
});

export const getSound = operation({
  name: 'getSound',
  room: 'footage',
  method: 'get',
  path: '/api/footages/:footageId/sound',
  access: everyRole,
  summary: 'How loud each hundredth of a second is (0..255), empty without sound, and how strongly something new is heard in it.',
  params,
  response: sameAs<FootageSound>()(z.object({ rate: z.number(), peaks: z.array(z.number()), onsets: z.array(z.number()) })),
});

export const getViewing = operation({
  name: 'getViewing',
  room: 'footage',
  method: 'get',
  path: '/api/footages/:footageId/viewing',
  access: everyRole,
  summary: 'Addresses of review copy, poster and strip for the caller alone, good until a time.',
  params,
  response: z.object({ reviewCopy: z.string(), poster: z.string(), strip: z.string(), until: instant }),
});

const editionParams = params.extend({ edition: z.coerce.number().int().min(1).max(1000) });

export const getEdition = operation({
  name: 'getEdition',
  room: 'footage',
  method: 'get',
  path: '/api/footages/:footageId/editions/:edition',
  access: everyRole,
  summary:
    'What is made of a review copy before the rest is: its frames’ times and its address for the caller alone. Later editions, and the whole, only have further frames.',
  params: editionParams,
  response: z.object({ table: frameTable, reviewCopy: z.string(), until: instant }),
});

export const streamEdition = operation({
  name: 'streamEdition',
  room: 'footage',
  method: 'get',
  path: '/api/footages/:footageId/editions/:edition/review.mp4',
  access: everyRole,
  summary: 'An edition of the review copy, by the address of getEdition; range requests are answered.',
  params: editionParams,
  stream: 'video/mp4',
});

export const getFrameStill = operation({
  name: 'getFrameStill',
  room: 'footage',
  method: 'get',
  path: '/api/footages/:footageId/frames/:frame/still.jpg',
  access: everyRole,
  summary: 'One frame of the review copy as a small picture.',
  params: params.extend({ frame: z.coerce.number().int().min(0).max(10_000_000) }),
  stream: 'image/jpeg',
});

export const saveAlignment = operation({
  name: 'saveAlignment',
  room: 'footage',
  method: 'put',
  path: '/api/footages/:footageId/alignment',
  access: coaching,
  about: ['request'],
  summary: 'How this footage lies against another of the same request; null when it shows something else.',
  params,
  body: z.object({ alignment: alignment.nullable() }),
  response: z.object({ alignment: alignment.nullable() }),
});

export const streamReviewCopy = operation({
  name: 'streamReviewCopy',
  room: 'footage',
  method: 'get',
  path: '/api/footages/:footageId/review.mp4',
  access: everyRole,
  summary: 'The review copy, by the address of getViewing; range requests are answered.',
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

export const getStrip = operation({
  name: 'getStrip',
  room: 'footage',
  method: 'get',
  path: '/api/footages/:footageId/strip.jpg',
  access: everyRole,
  summary: 'The strip of small pictures, by the address of getViewing.',
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
  access: everyRole,
  about: ['request'],
  summary: 'Try again to make a failed footage ready.',
  params,
  response: footageProgress,
});
