import { z } from 'zod';
import { id, instant } from './ids.ts';
import { coaching, operation } from './operation.ts';

export const searchWords = operation({
  name: 'searchWords',
  room: 'search',
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
