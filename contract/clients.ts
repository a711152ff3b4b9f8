import { z } from 'zod';
import { id } from './ids.ts';
import { coaching, operation } from './operation.ts';

export const client = z.object({
  id,
  name: z.string(),
  level: z.number().int().min(1).max(5),
  age: z.number().int().nullable(),
  /** Calendar day, YYYY-MM-DD. */
  bornOn: z.iso.date().nullable(),
  about: z.string(),
  hurts: z.array(z.string()),
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
