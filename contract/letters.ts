import { z } from 'zod';
import { id, instant } from './ids.ts';
import { coaching, operation } from './operation.ts';

export const letter = z.object({
  id,
  toName: z.string(),
  toAddress: z.string(),
  subject: z.string(),
  body: z.string(),
  writtenAt: instant,
  /** A one-time link in it, where this coach may pass it on by hand; no letter leaves this machine. */
  link: z.string().nullable(),
});
export type Letter = z.infer<typeof letter>;

export const listLetters = operation({
  name: 'listLetters',
  room: 'letters',
  method: 'get',
  path: '/api/letters',
  access: coaching,
  about: ['letter'],
  summary: 'The outbox stand-in: what was sent to whom, newest first, at most 200. No letter leaves this machine.',
  response: z.object({ letters: z.array(letter) }),
});
