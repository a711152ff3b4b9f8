import { mostFixes } from '@lean-mentor/core/fixes';
import { z } from 'zod';
import { drawing, note } from './desk.ts';
import { done, frame, id, instant, written } from './ids.ts';
import { coaching, everyRole, operation } from './operation.ts';
import { intake } from './requests.ts';
import { bout, footageStates } from './footage.ts';

export const critiqueDraft = z.object({ opening: z.string().max(2000), noteIds: z.array(id).max(mostFixes) });

/** A fix as it was sent: the note and drawings as they were then, whatever the desk does later. */
export const sentFix = z.object({
  position: z.int().min(1).max(mostFixes),
  note,
  drawings: z.array(drawing.omit({ footageId: true })),
  atFrame: frame,
  atSeconds: z.number(),
  /** The clip plays from 2 s before the moment to 2 s after it, as far as the footage reaches. */
  clipFromSeconds: z.number(),
  clipToSeconds: z.number(),
});
export type SentFix = z.infer<typeof sentFix>;

export const critique = z.object({
  id,
  requestId: id,
  clientId: id,
  clientName: z.string(),
  coachName: z.string(),
  asked: intake,
  opening: z.string(),
  sentAt: instant,
  readAt: instant.nullable(),
  fixes: z.array(sentFix),
  footages: z.array(
    z.object({ id, state: z.enum(footageStates), seconds: z.number(), width: z.number(), height: z.number(), bouts: z.array(bout) }),
  ),
});
export type Critique = z.infer<typeof critique>;

const byRequest = z.object({ requestId: id });
const byCritique = z.object({ critiqueId: id });

export const getCritiqueDraft = operation({
  name: 'getCritiqueDraft',
  room: 'critique',
  method: 'get',
  path: '/api/requests/:requestId/critique',
  access: coaching,
  summary: 'The opening line and chosen notes so far.',
  params: byRequest,
  response: critiqueDraft.extend({ critiqueId: id.nullable(), sentAt: instant.nullable(), suggestedFixes: z.int() }),
});

export const saveCritiqueDraft = operation({
  name: 'saveCritiqueDraft',
  room: 'critique',
  method: 'put',
  path: '/api/requests/:requestId/critique',
  access: coaching,
  summary: 'Keep the opening line and chosen notes, in order.',
  params: byRequest,
  body: critiqueDraft,
  response: critiqueDraft,
});

export const sendCritique = operation({
  name: 'sendCritique',
  room: 'critique',
  method: 'post',
  path: '/api/requests/:requestId/critique/send',
  access: ['coach'],
  summary: 'Send the critique: it is kept as it is now, and a letter about it goes to the client and a guardian.',
  params: byRequest,
  body: z.object({ opening: written(2000), noteIds: z.array(id).min(1, 'Choose at least one note.').max(mostFixes) }),
  response: critique,
});

export const getCritique = operation({
  name: 'getCritique',
  room: 'critique',
  method: 'get',
  path: '/api/critiques/:critiqueId',
  access: everyRole,
  summary: 'A critique as it was sent.',
  params: byCritique,
  response: critique,
});

export const getCritiqueStill = operation({
  name: 'getCritiqueStill',
  room: 'critique',
  method: 'get',
  path: '/api/critiques/:critiqueId/fixes/:position/still.png',
  access: everyRole,
  summary: "The exact frame of a fix with its drawings, at the footage's own size.",
  params: z.object({ critiqueId: id, position: z.coerce.number().int().min(1).max(mostFixes) }),
  stream: 'image/png',
});

export const markCritiqueRead = operation({
  name: 'markCritiqueRead',
  room: 'critique',
  method: 'post',
  path: '/api/critiques/:critiqueId/read',
  access: ['client', 'guardian'],
  summary: 'The client has read it. Marking it twice keeps the first time.',
  params: byCritique,
  response: done.extend({ readAt: instant }),
});
