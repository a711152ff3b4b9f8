import { threadStates } from '@lean-mentor/core/followup';
import { positionCodes } from '@lean-mentor/core/scoring';
import { z } from 'zod';
import { critiqueGlance } from './critique.ts';
import { done, id, instant } from './ids.ts';
import { coaching, everyRole, operation } from './operation.ts';
import { question } from './questions.ts';
import { request } from './requests.ts';

export const client = z.object({
  id,
  name: z.string(),
  level: z.number().int().min(1).max(5),
  age: z.number().int().nullable(),
  about: z.string(),
  hurts: z.array(z.string()),
  /** How this client must be reached ("needs every word written"). */
  agreements: z.array(z.string()),
  guardianName: z.string().nullable(),
});
export type Client = z.infer<typeof client>;

export const listClients = operation({
  name: 'listClients',
  room: 'clients',
  method: 'get',
  path: '/api/clients',
  access: coaching,
  summary: 'All clients by name, with how much there is of each.',
  response: z.object({ clients: z.array(client.extend({ requests: z.number().int(), waiting: z.number().int() })) }),
});

export const getClientHistory = operation({
  name: 'getClientHistory',
  room: 'clients',
  method: 'get',
  path: '/api/clients/:clientId/history',
  access: everyRole,
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
});
export type ClientThread = z.infer<typeof fixThread>;

export const getClientProgress = operation({
  name: 'getClientProgress',
  room: 'clients',
  method: 'get',
  path: '/api/clients/:clientId/progress',
  access: everyRole,
  summary: "A client's fixes across their reviewed requests, and the time in each position, oldest request first.",
  params: z.object({ clientId: id }),
  response: z.object({
    threads: z.array(fixThread),
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
  room: 'clients',
  method: 'put',
  path: '/api/clients/:clientId/threads/:principleId',
  access: ['coach'],
  summary: 'Closes a thread, or opens it again: only the coach does.',
  params: z.object({ clientId: id, principleId: id }),
  body: z.object({ closed: z.boolean() }),
  response: done,
});

export const searchWords = operation({
  name: 'searchWords',
  room: 'clients',
  method: 'post',
  path: '/api/search',
  access: coaching,
  evenWithoutRoom: true,
  summary: 'Everything said of one client, or of all of them, by its words: notes, questions, critiques. Newest first, at most 50.',
  body: z.object({ words: z.string().max(200), clientId: id.nullable() }),
  response: z.object({
    found: z.array(
      z.object({
        id,
        entry: z.enum(['note', 'request', 'critique', 'question']),
        kind: z.string().nullable(),
        clientId: id,
        clientName: z.string(),
        requestId: id,
        critiqueId: id.nullable(),
        /** Where a note stands. */
        footageId: id.nullable(),
        frame: z.int().nullable(),
        words: z.string(),
        at: instant,
      }),
    ),
    more: z.boolean(),
  }),
});
export type Found = z.infer<typeof searchWords.response>['found'][number];
