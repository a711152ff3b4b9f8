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
  summary:
    'Everything said of one client, or of all of them, by its words in any form: notes, questions, critiques, takes, injuries, agreements. What says them all first, then the newest; at most 50.',
  body: z.object({ words: z.string().max(200), clientId: id.nullable() }),
  response: z.object({
    found: z.array(
      z.object({
        id,
        entry: z.enum(['note', 'request', 'critique', 'question', 'take', 'client']),
        kind: z.string().nullable(),
        clientId: id,
        clientName: z.string(),
        /** Null: it was said of the client. */
        requestId: id.nullable(),
        critiqueId: id.nullable(),
        /** Where a note stands. */
        footageId: id.nullable(),
        frame: z.int().nullable(),
        words: z.string(),
        /** The words in it that were looked for, in the forms that stand there. */
        hits: z.array(z.string()),
        /** By what else it was found: the chance its principle counts, its position, whose it is. */
        because: z.array(z.string()),
        at: instant,
      }),
    ),
    more: z.boolean(),
  }),
});
export type Found = z.infer<typeof searchWords.response>['found'][number];
