import { z } from 'zod';
import { id } from './ids.ts';
import { notesFile } from './notesFile.ts';
import { coaching, operation } from './operation.ts';

const params = z.object({ requestId: id });

export const exportNotes = operation({
  name: 'exportNotes',
  room: 'desk',
  method: 'get',
  path: '/api/requests/:requestId/notes.:as',
  access: coaching,
  summary: 'The notes of a request as CSV or JSON (lean-mentor/notes@1).',
  params: params.extend({ as: z.enum(['csv', 'json']) }),
  stream: 'application/octet-stream',
});

export const importNotes = operation({
  name: 'importNotes',
  room: 'desk',
  method: 'post',
  path: '/api/requests/:requestId/notes',
  access: coaching,
  about: ['ladder', 'book'],
  summary:
    'Puts notes of a file on the desk, all or none. Refused in words where one names footage, a frame or a principle that is not there.',
  limits: { bytes: 4 * 1024 ** 2, values: 200_000 },
  params,
  body: notesFile,
  response: z.object({ added: z.int() }),
});
