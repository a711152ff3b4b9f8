import { z } from 'zod';
import { critique } from './critique.ts';
import { id } from './ids.ts';
import { coaching, everyRole, operation } from './operation.ts';
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
  summary: "A client's requests, critiques and the fixes given, newest first.",
  params: z.object({ clientId: id }),
  response: z.object({ client, requests: z.array(request), critiques: z.array(critique) }),
});
