import type { OrderStep } from '@lean-mentor/core/critique';
import { z } from 'zod';
import { critique } from './critique.ts';
import { critiqueDoc } from './critiqueDoc.ts';
import { done, id, instant, written } from './ids.ts';
import { coaching, operation, everyRole } from './operation.ts';
import { sameAs } from './sameAs.ts';

const byRequest = z.object({ requestId: id });
const draftState = z.object({ doc: critiqueDoc, revision: z.int().min(0) });

export const getCritiqueDraft = operation({
  name: 'getCritiqueDraft',
  room: 'critique',
  method: 'get',
  path: '/api/requests/:requestId/critique',
  access: coaching,
  about: ['draft'],
  summary: 'The critique as far as it is written, and who will get it. `doc` is null before the first draft.',
  params: byRequest,
  response: z.object({
    doc: critiqueDoc.nullable(),
    revision: z.int().min(0),
    critiqueId: id.nullable(),
    /** Versions sent so far. */
    version: z.int().min(0),
    sentAt: instant.nullable(),
    takeBackUntil: instant.nullable(),
    /** Whether what is written differs from what was sent. */
    changed: z.boolean(),
    recipients: z.array(z.object({ name: z.string(), role: z.enum(everyRole), email: z.string() })),
  }),
});

export const draftCritique = operation({
  name: 'draftCritique',
  room: 'critique',
  method: 'post',
  path: '/api/requests/:requestId/critique/draft',
  access: coaching,
  summary: 'Writes the critique anew from the desk, the ladder and the book, and answers it. What was written before is answered too.',
  params: byRequest,
  response: draftState.extend({ before: critiqueDoc.nullable() }),
});

export const getRunningOrder = operation({
  name: 'getRunningOrder',
  room: 'critique',
  method: 'get',
  path: '/api/requests/:requestId/running-order',
  access: coaching,
  about: ['ladder', 'draft'],
  summary: 'In what order to say what the critique would say, with the notes to show meanwhile.',
  params: byRequest,
  response: z.array(
    sameAs<OrderStep>()(z.object({ part: z.string(), title: z.string(), words: z.array(z.string()), noteId: id.nullable() })),
  ),
});

export const saveCritiqueDraft = operation({
  name: 'saveCritiqueDraft',
  room: 'critique',
  method: 'put',
  path: '/api/requests/:requestId/critique',
  access: coaching,
  limits: { bytes: 1024 ** 2, values: 50_000 },
  summary: 'Keeps the critique as it is written. Refused where somebody else has written since `revision`.',
  params: byRequest,
  body: draftState,
  response: z.object({ revision: z.int() }),
});

export const sendCritique = operation({
  name: 'sendCritique',
  room: 'critique',
  method: 'post',
  path: '/api/requests/:requestId/critique/send',
  access: ['coach'],
  about: ['request', 'critique', 'draft', 'letter', 'ladder'],
  summary: 'Sends what is written, as it is now: the first version, or the next one. A letter goes to the client and a guardian.',
  params: byRequest,
  body: z.object({ revision: z.int().min(0) }),
  response: critique,
});

export const takeBackCritique = operation({
  name: 'takeBackCritique',
  room: 'critique',
  method: 'post',
  path: '/api/critiques/:critiqueId/take-back',
  access: ['coach'],
  about: ['request', 'critique', 'draft', 'letter'],
  summary: 'Takes the newest version back within ten minutes of sending it; an earlier version, if there is one, stands again.',
  params: z.object({ critiqueId: id }),
  response: done,
});

/** What the coach says often: phrases to put in, and whole pages to begin from. */
export const phraseBook = z.object({
  phrases: z.array(z.object({ id, words: written(1000) })).max(200),
  templates: z.array(z.object({ id, name: written(120), doc: critiqueDoc })).max(40),
});
export type PhraseBook = z.infer<typeof phraseBook>;

export const getPhraseBook = operation({
  name: 'getPhraseBook',
  room: 'critique',
  method: 'get',
  path: '/api/phrase-book',
  access: coaching,
  summary: "The coach's phrases and templates.",
  response: phraseBook,
});

export const savePhraseBook = operation({
  name: 'savePhraseBook',
  room: 'critique',
  method: 'put',
  path: '/api/phrase-book',
  access: ['coach'],
  limits: { bytes: 4 * 1024 ** 2, values: 200_000 },
  summary: 'Keeps the phrases and templates.',
  body: phraseBook,
  response: phraseBook,
});
