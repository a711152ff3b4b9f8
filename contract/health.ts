import { z } from 'zod';
import { operation } from './operation.ts';

export const getHealth = operation({
  name: 'getHealth',
  room: 'health',
  method: 'get',
  path: '/api/health',
  access: 'anyone',
  summary: 'The process is alive.',
  response: z.object({ alive: z.literal(true) }),
});

export const getReadiness = operation({
  name: 'getReadiness',
  room: 'health',
  method: 'get',
  path: '/api/ready',
  access: 'anyone',
  summary: 'The process can answer: its database does. 503 otherwise.',
  response: z.object({ ready: z.boolean() }),
});

export const getDocs = operation({
  name: 'getDocs',
  room: 'health',
  method: 'get',
  path: '/api/docs',
  access: 'anyone',
  summary: 'This description (OpenAPI 3.1).',
  response: z.record(z.string(), z.unknown()),
});
