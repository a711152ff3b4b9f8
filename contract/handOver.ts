import { handOverActs, handOverParts, handOverStates } from '@lean-mentor/core/queue';
import { z } from 'zod';
import { done, frame, id, instant } from './ids.ts';
import { coaching, operation } from './operation.ts';

const day = z.iso.date();
const hand = z.object({ id, name: z.string() });
const words = z.string().trim().max(400, 'At most 400 characters.');

/** A request, or a part of it, in another hand. */
export const handOver = z.object({
  id,
  requestId: id,
  clientName: z.string(),
  question: z.string(),
  part: z.enum(handOverParts),
  /** The bout that is to be coded, and where it begins; null for all of them. */
  bout: z.object({ id, footageId: id, fromFrame: frame }).nullable(),
  from: hand,
  to: hand,
  dueOn: day,
  state: z.enum(handOverStates),
  /** What was said about it, oldest first. */
  said: z.array(z.object({ by: z.string(), at: instant, words: z.string() })),
  /** On which side the caller stands; null for whom it is not. */
  side: z.enum(['giver', 'doer']).nullable(),
});
export type HandOver = z.infer<typeof handOver>;

const room = { room: 'queue', access: coaching } as const;

export const listHandOvers = operation({
  ...room,
  name: 'listHandOvers',
  method: 'get',
  path: '/api/hand-overs',
  about: ['hand-over', 'request'],
  summary:
    'Work in other hands that is not at its end, of requests that wait, soonest first; an assistant sees their own. And into whose hands some can be given.',
  response: z.object({ handOvers: z.array(handOver), hands: z.array(hand) }),
});

export const giveOver = operation({
  ...room,
  name: 'giveOver',
  access: ['coach'],
  method: 'post',
  path: '/api/requests/:requestId/hand-overs',
  about: ['hand-over'],
  summary: 'Gives a request that waits, or a part of it, into the hand of another of the coaching side, until a day.',
  params: z.object({ requestId: id }),
  body: z.object({ toId: id, part: z.enum(handOverParts), boutId: id.nullable(), dueOn: day, words }),
  response: z.object({ handOverId: id }),
});

export const actOnHandOver = operation({
  ...room,
  name: 'actOnHandOver',
  method: 'post',
  path: '/api/hand-overs/:handOverId',
  about: ['hand-over'],
  summary: 'Offers handed work as done, takes it, or sends it back with a word: each side what is theirs to do.',
  params: z.object({ handOverId: id }),
  body: z.object({ act: z.enum(handOverActs), words }),
  response: done,
});
