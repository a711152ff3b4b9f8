import { z } from 'zod';
import { limits } from './care.ts';
import { done, id, written } from './ids.ts';
import { coaching, everyRole, operation } from './operation.ts';

export const client = z.object({
  id,
  name: z.string(),
  level: z.number().int().min(1).max(5),
  age: z.number().int().nullable(),
  /** Calendar day, YYYY-MM-DD. */
  bornOn: z.iso.date().nullable(),
  about: z.string(),
  hurts: z.array(z.string()),
  /** What was agreed of what hurts; words nobody has looked at yet propose some themselves (`limitsOf`). */
  limits,
  /** How this client must be reached ("needs every word written"). */
  agreements: z.array(z.string()),
  /** Who has agreed as their guardian. */
  guardianName: z.string().nullable(),
});
export type Client = z.infer<typeof client>;

export const listClients = operation({
  name: 'listClients',
  room: 'clients',
  method: 'get',
  path: '/api/clients',
  access: coaching,
  about: ['request', 'client'],
  summary: 'All clients by name, with how much there is of each.',
  response: z.object({ clients: z.array(client.extend({ requests: z.number().int(), waiting: z.number().int() })) }),
});

const limited = z.object({ hurts: z.array(written(200)).max(20), limits });

export const getLimits = operation({
  name: 'getLimits',
  room: 'clients',
  method: 'get',
  path: '/api/clients/:clientId/limits',
  access: everyRole,
  about: ['client'],
  summary: 'What hurts a client, in their words, and what was agreed that their body must not bear.',
  params: z.object({ clientId: id }),
  response: limited.extend({ name: z.string() }),
});

export const keepLimits = operation({
  name: 'keepLimits',
  room: 'clients',
  method: 'put',
  path: '/api/clients/:clientId/limits',
  access: ['coach', 'client', 'guardian'],
  about: ['client', 'request', 'work', 'ladder'],
  summary:
    'Keeps what hurts and what was read from it, agreed by who keeps it. A client adds and says it more closely; ending it, and what a clinician said, is the coach’s.',
  params: z.object({ clientId: id }),
  body: limited,
  response: done,
});
