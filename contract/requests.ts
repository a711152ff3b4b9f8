import { z } from 'zod';
import { footage } from './footage.ts';
import { id, instant, written } from './ids.ts';
import { everyRole, operation } from './operation.ts';

export const requestKinds = ['sparring', 'match'] as const;
export const attires = ['jacket', 'no-jacket'] as const;
/** uploading: footage on its way; waiting: with the coach; sent: its critique has been sent. */
export const requestStates = ['uploading', 'waiting', 'sent'] as const;

/** What a client says when sending footage. */
export const intake = z.object({
  kind: z.enum(requestKinds),
  attire: z.enum(attires),
  whoClient: written(120),
  whoPartner: written(120),
  question: written(600),
});

export const request = intake.extend({
  id,
  clientId: id,
  clientName: z.string(),
  state: z.enum(requestStates),
  sentAt: instant,
  dueAt: instant,
  footage,
  /** The critique sent for it, once there is one. */
  critiqueId: id.nullable(),
});
export type Request = z.infer<typeof request>;

export const createRequest = operation({
  name: 'createRequest',
  room: 'requests',
  method: 'post',
  path: '/api/requests',
  access: ['client', 'guardian'],
  summary: 'Say what is being sent, before its bytes; the answer names the footage to upload to.',
  body: intake.extend({
    clientId: id,
    fileName: written(255),
    byteSize: z
      .int()
      .min(1, 'The file is empty. Choose the video itself.')
      .max(20 * 1024 ** 3, 'The file is over 20 GB.'),
  }),
  response: request,
});

export const listRequests = operation({
  name: 'listRequests',
  room: 'requests',
  method: 'get',
  path: '/api/requests',
  access: everyRole,
  summary: 'Requests the caller may see, newest first, at most 500.',
  response: z.object({ requests: z.array(request) }),
});
