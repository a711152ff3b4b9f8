import { z } from 'zod';
import { done, id, instant } from './ids.ts';
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
  /** When it left this machine, and why it could not; both null while it waits, and where no letter leaves. */
  sentAt: instant.nullable(),
  failure: z.string().nullable(),
});
export type Letter = z.infer<typeof letter>;

export const listLetters = operation({
  name: 'listLetters',
  room: 'letters',
  method: 'get',
  path: '/api/letters',
  access: coaching,
  about: ['letter'],
  summary:
    'What was written to whom, newest first, at most 200. `leave`: whether letters leave this machine; else the list is all there is.',
  response: z.object({ letters: z.array(letter), leave: z.boolean() }),
});

export const sendLetterAgain = operation({
  name: 'sendLetterAgain',
  room: 'letters',
  method: 'post',
  path: '/api/letters/:letterId/again',
  access: coaching,
  about: ['letter'],
  summary: 'Tries once more to send a letter that could not be sent.',
  params: z.object({ letterId: id }),
  response: done,
});
