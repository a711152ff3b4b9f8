import { threadStates, type Knowing } from '@lean-mentor/core/followup';
import { positionCodes } from '@lean-mentor/core/scoring';
import { z } from 'zod';
import { client } from './clients.ts';
import { critiqueGlance } from './critique.ts';
import { done, id, instant } from './ids.ts';
import { coaching, everyRole, operation } from './operation.ts';
import { question } from './questions.ts';
import { request } from './requests.ts';
import { sameAs } from './sameAs.ts';
import { practised, training } from './work.ts';

export const getClientHistory = operation({
  name: 'getClientHistory',
  room: 'followup',
  method: 'get',
  path: '/api/clients/:clientId/history',
  access: everyRole,
  about: ['request', 'critique'],
  summary: "A client's requests, critiques, the fixes given and the questions asked, newest first.",
  params: z.object({ clientId: id }),
  response: z.object({ client, requests: z.array(request), critiques: z.array(critiqueGlance), questions: z.array(question) }),
});

const interval = z.tuple([z.number(), z.number().nullable()]).nullable();

/** One fix across a client's requests (core/followup). An end that is open is null. */
export const fixThread = z.object({
  principleId: id,
  name: z.string(),
  cue: z.string(),
  counts: z.enum(['rate', 'chance']),
  /** What chances are of; empty for rates. */
  chances: z.string(),
  state: z.enum(threadStates),
  closedAt: instant.nullable(),
  points: z.array(
    z.object({
      requestId: id,
      sentAt: instant,
      given: z.boolean(),
      count: z.number(),
      exposure: z.number(),
      value: z.number().nullable(),
      interval,
    }),
  ),
  verdict: z.enum(['better', 'worse', 'about-the-same', 'too-little']),
  ratio: z.number().nullable(),
  interval,
  neededMinutes: z.number().nullable(),
  neededChances: z.number().nullable(),
  /** Counted on the mat between two requests; never pooled with what footage shows. */
  practice: z.array(practised),
  /** At how many of the decisions they were asked about they chose the coach's way: what they know, apart from what they do. */
  knowing: sameAs<Knowing>()(z.object({ right: z.int(), asked: z.int() })),
});
export type ClientThread = z.infer<typeof fixThread>;

export const getClientProgress = operation({
  name: 'getClientProgress',
  room: 'followup',
  method: 'get',
  path: '/api/clients/:clientId/progress',
  access: everyRole,
  about: ['critique', 'book', 'work'],
  summary: "A client's fixes across their reviewed requests, and the time in each position, oldest request first.",
  params: z.object({ clientId: id }),
  response: z.object({
    threads: z.array(fixThread),
    /** When they paused. */
    breaks: training.shape.breaks,
    positions: z.array(
      z.object({
        requestId: id,
        sentAt: instant,
        minutes: z.number(),
        time: z.array(z.object({ position: z.enum(positionCodes), holder: z.enum(['client', 'partner']).nullable(), seconds: z.number() })),
      }),
    ),
  }),
});

export const closeThread = operation({
  name: 'closeThread',
  room: 'followup',
  method: 'put',
  path: '/api/clients/:clientId/threads/:principleId',
  access: ['coach'],
  about: ['critique'],
  summary: 'Closes a thread, or opens it again: only the coach does.',
  params: z.object({ clientId: id, principleId: id }),
  body: z.object({ closed: z.boolean() }),
  response: done,
});

const looked = z.object({
  critiqueId: id,
  sentAt: instant,
  agreed: z.int(),
  notShared: z.int(),
  notSeen: z.int(),
  began: z.enum(['agreed', 'elsewhere']).nullable(),
});

export const getOwnEye = operation({
  name: 'getOwnEye',
  room: 'followup',
  method: 'get',
  path: '/api/clients/:clientId/own-eye',
  access: everyRole,
  about: ['critique'],
  summary:
    "A client's own marks beside what was sent, oldest first: agreed within 2 s, not seen, seen differently; and whether they get closer.",
  params: z.object({ clientId: id }),
  response: z.object({ critiques: z.array(looked), verdict: z.enum(['better', 'worse', 'about-the-same', 'too-little']).nullable() }),
});

export const getWorkEffects = operation({
  name: 'getWorkEffects',
  room: 'followup',
  method: 'get',
  path: '/api/work-effects/:principleId',
  access: coaching,
  about: ['work', 'critique', 'book'],
  summary:
    'Which work for a fix, and which words, moved it over all clients: mistakes seen to those expected. Of too few nothing is said; nobody is named.',
  params: z.object({ principleId: id }),
  response: z.object({
    effects: z.array(
      z.object({
        of: z.enum(['work', 'words']),
        name: z.string(),
        clients: z.int(),
        ratio: z.number().nullable(),
        interval: z.tuple([z.number(), z.number()]).nullable(),
      }),
    ),
  }),
});
