import { letterKinds, mostBody, mostSubject } from '@lean-mentor/core/letters';
import { z } from 'zod';
import { done, id, instant } from './ids.ts';
import { coaching, operation } from './operation.ts';

const kind = z.enum(letterKinds);

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
  /** Kept in the app alone: whoever it is for wants none by mail. */
  inApp: z.boolean(),
});
export type Letter = z.infer<typeof letter>;

/** By mail, and in the app too; or only in the app. */
export const lettersBy = z.enum(['letter', 'app']);
export type LettersBy = z.infer<typeof lettersBy>;

const room = { room: 'letters' } as const;
const reading = ['client', 'guardian'] as const;

export const listLetters = operation({
  ...room,
  name: 'listLetters',
  method: 'get',
  path: '/api/letters',
  access: coaching,
  about: ['letter'],
  summary:
    'What was written to whom, newest first, at most 200. `leave`: whether letters leave this machine; else the list is all there is.',
  response: z.object({ letters: z.array(letter), leave: z.boolean() }),
});

export const sendLetterAgain = operation({
  ...room,
  name: 'sendLetterAgain',
  method: 'post',
  path: '/api/letters/:letterId/again',
  access: coaching,
  about: ['letter'],
  summary: 'Tries once more to send a letter that could not be sent.',
  params: z.object({ letterId: id }),
  response: done,
});

export const letterTemplate = z.object({ subject: z.string().max(mostSubject), body: z.string().max(mostBody) });

export const getLetterWords = operation({
  ...room,
  name: 'getLetterWords',
  method: 'get',
  path: '/api/letter-words',
  access: coaching,
  about: ['letter-words'],
  summary: 'The words of the coach’s own for letters of some kinds; those that are not named go as they came.',
  response: z.object({ words: z.partialRecord(kind, letterTemplate), revision: z.int() }),
});

export const setLetterWords = operation({
  ...room,
  name: 'setLetterWords',
  method: 'put',
  path: '/api/letter-words/:kind',
  access: ['coach'],
  about: ['letter-words'],
  summary:
    'Words a kind of letter from now on; null: as it came. Refused with every fault where a field is unknown or missing, or where it was changed since `revision`.',
  params: z.object({ kind }),
  body: z.object({ revision: z.int(), template: letterTemplate.nullable() }),
  response: done,
});

export const setLettersBy = operation({
  ...room,
  name: 'setLettersBy',
  method: 'put',
  path: '/api/people/:accountId/letters',
  access: ['coach'],
  about: ['person'],
  summary: 'Whether letters go to somebody’s address or only into the app. Who has stopped them themselves gets none by mail.',
  params: z.object({ accountId: id }),
  body: z.object({ by: lettersBy }),
  response: done,
});

export const listOwnLetters = operation({
  ...room,
  name: 'listOwnLetters',
  method: 'get',
  path: '/api/own-letters',
  access: reading,
  about: ['letter'],
  summary: 'What was written to the caller, newest first, at most 100; whether it goes to their address too.',
  response: z.object({
    letters: z.array(letter.pick({ id: true, subject: true, body: true, writtenAt: true }).extend({ readAt: instant.nullable() })),
    by: lettersBy,
  }),
});

export const readOwnLetters = operation({
  ...room,
  name: 'readOwnLetters',
  method: 'post',
  path: '/api/own-letters/read',
  access: reading,
  evenWithoutRoom: true,
  about: ['letter'],
  summary: 'The caller has read what was written to them.',
  response: done,
});

export const setOwnLetters = operation({
  ...room,
  name: 'setOwnLetters',
  method: 'put',
  path: '/api/own-letters/by',
  access: reading,
  about: ['letter', 'person'],
  summary: 'Whether letters go to the caller’s address or only into the app. Their word stands over the coach’s.',
  body: z.object({ by: lettersBy }),
  response: done,
});

export const stopLetters = operation({
  ...room,
  name: 'stopLetters',
  method: 'post',
  path: '/api/stop-letters/:accountId/:signature',
  access: 'anyone',
  evenWithoutRoom: true,
  about: ['letter', 'person'],
  summary: 'Stops letters to whoever the signed address was written to; they stay in the app. The address is in every such letter.',
  params: z.object({ accountId: id, signature: z.string().regex(/^[\w-]{43}$/) }),
  response: done,
});
