import { z } from 'zod';
import { takeCaptions, takeSeconds } from './deskTake.ts';
import { done, id, instant } from './ids.ts';
import { coaching, operation } from './operation.ts';
import { takeEvent } from './takeFile.ts';

/** What browsers record speech as, with the coach seen or without, and what a voice is kept as without loss. */
export const voiceTypes = ['audio/webm', 'audio/ogg', 'audio/mp4', 'audio/flac', 'video/webm', 'video/mp4'] as const;

/** A voice as it was recorded, and with steady noise taken out. */
export const takeVoices = ['recorded', 'clean'] as const;
export type TakeVoice = (typeof takeVoices)[number];

/** Longest take and what it may be recorded in: parts end where it is paused, cut off or gone on with. */
export const mostTakeParts = 200;
const mostPieces = 4000;
/** One piece is 2 s of speech, about 12 kB; a browser that was starved gives more at once, and a voice from a file is cut into such. */
export const mostPieceBytes = 1024 ** 2;

const part = z.coerce
  .number()
  .int()
  .min(0)
  .max(mostTakeParts - 1);
const piece = z.coerce
  .number()
  .int()
  .min(0)
  .max(mostPieces - 1);
const byRequest = z.object({ requestId: id });
const byTake = byRequest.extend({ takeId: id });

/** The recording of a take: how far it has come, and where it is silent. */
export const takeRecording = z.object({
  id,
  /** recording: pieces still come; waiting: it is being put together; ready: it can be heard. */
  state: z.enum(['recording', 'waiting', 'ready', 'failed']),
  /** Its parts as they have arrived, each with so many pieces. */
  pieces: z.array(z.int()),
  /** Length of each part and of the whole, once it is ready. */
  partSeconds: z.array(takeSeconds),
  seconds: takeSeconds,
  /** Loudness from start to end, 0..1, and the stretches in which nobody speaks. */
  peaks: z.array(z.number()),
  silences: z.array(z.object({ from: takeSeconds, to: takeSeconds })),
  failure: z.string().nullable(),
  /** Words that were asked for; null where none were. `askedAt` tells one asking from another. */
  words: z
    .object({
      of: z.enum(['text', 'voice']),
      askedAt: instant,
      state: z.enum(['waiting', 'ready', 'failed']),
      failure: z.string().nullable(),
    })
    .nullable(),
  /** Whether this house can write down what it hears. */
  canBeHeard: z.boolean(),
});
export type TakeRecording = z.infer<typeof takeRecording>;

export const takePiece = z.object({
  type: z.enum(voiceTypes),
  /** Sound as the browser recorded it, in base64; the pieces of a part one after another are its file. */
  voice: z.base64().max((mostPieceBytes * 4) / 3 + 4),
  /** What was done meanwhile; `t` in seconds of the part. */
  events: z.array(takeEvent).max(4000),
});
export type TakePiece = z.infer<typeof takePiece>;

export const saveTakePiece = operation({
  name: 'saveTakePiece',
  room: 'takes',
  method: 'put',
  path: '/api/requests/:requestId/takes/:takeId/parts/:part/pieces/:piece',
  access: coaching,
  summary: 'Some seconds of a take that is being spoken, once the take is on the desk. Sent twice it is the same.',
  params: byTake.extend({ part, piece }),
  body: takePiece,
  limits: { bytes: 3 * mostPieceBytes, values: 60_000 },
  response: done,
});

export const finishTake = operation({
  name: 'finishTake',
  room: 'takes',
  method: 'post',
  path: '/api/requests/:requestId/takes/:takeId/finish',
  access: coaching,
  about: ['take'],
  summary: 'All of a take has been sent: it is put together. Refused while one of its pieces is missing.',
  params: byTake,
  /** How many pieces each part has. */
  body: z.object({ pieces: z.array(z.int().min(0).max(mostPieces)).min(1).max(mostTakeParts) }),
  response: takeRecording,
});

export const listTakes = operation({
  name: 'listTakes',
  room: 'takes',
  method: 'get',
  path: '/api/requests/:requestId/takes',
  access: coaching,
  about: ['take'],
  summary: 'The recordings of the takes on a desk.',
  params: byRequest,
  response: z.array(takeRecording),
});

export const getTakeLog = operation({
  name: 'getTakeLog',
  room: 'takes',
  method: 'get',
  path: '/api/requests/:requestId/takes/:takeId/log',
  access: coaching,
  summary: 'What was done while a take was spoken, with its whole recording as clock.',
  params: byTake,
  response: z.object({ seconds: takeSeconds, events: z.array(takeEvent) }),
});

export const streamTakeVoice = operation({
  name: 'streamTakeVoice',
  room: 'takes',
  method: 'get',
  path: '/api/requests/:requestId/takes/:takeId/voices/:voice',
  access: coaching,
  summary: 'The voice of a take before anything is cut out of it: as it was recorded, or with its noise taken out.',
  params: byTake.extend({ voice: z.enum(takeVoices) }),
  stream: 'audio/mp4',
});

/** What words are made from: texts of which it is known in which stretch they were spoken, or the voice alone. */
export const takeWordsOf = z.discriminatedUnion('of', [
  z.object({
    of: z.literal('text'),
    /** drafted: from notes; typed: the coach wrote down what was said. */
    origin: z.enum(['drafted', 'typed']),
    texts: z
      .array(z.object({ from: takeSeconds, to: takeSeconds, text: z.string().trim().min(1).max(100_000) }))
      .min(1)
      .max(500),
  }),
  z.object({ of: z.literal('voice') }),
]);
export type TakeWordsOf = z.infer<typeof takeWordsOf>;

export const askTakeWords = operation({
  name: 'askTakeWords',
  room: 'takes',
  method: 'post',
  path: '/api/requests/:requestId/takes/:takeId/words',
  access: coaching,
  about: ['take'],
  summary: 'Has words laid to the voice of a take: a text where it is heard, or what a recogniser hears, unproven.',
  params: byTake,
  body: takeWordsOf,
  response: takeRecording,
});

export const getTakeWords = operation({
  name: 'getTakeWords',
  room: 'takes',
  method: 'get',
  path: '/api/requests/:requestId/takes/:takeId/words',
  access: coaching,
  summary: 'The words that were laid to the voice, as captions; `placed`: how many of them lie where they were heard.',
  params: byTake,
  response: z.object({ askedAt: instant, captions: takeCaptions, placed: z.int() }),
});

export const getTakeFile = operation({
  name: 'getTakeFile',
  room: 'takes',
  method: 'get',
  path: '/api/requests/:requestId/takes/:takeId/take.zip',
  access: coaching,
  summary: 'A take as a file of its own: take.json (lean-mentor/take@1) and its voice without loss, in one ZIP.',
  params: byTake,
  stream: 'application/zip',
});
