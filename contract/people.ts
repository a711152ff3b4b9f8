import { z } from 'zod';
import { client } from './clients.ts';
import { done, id, instant, written } from './ids.ts';
import { lettersBy } from './letters.ts';
import { everyRole, operation } from './operation.ts';

/** Somebody who signs in here. */
export const person = z.object({
  id,
  name: z.string(),
  email: z.string(),
  role: z.enum(everyRole),
  /** Since when they may not sign in. */
  pausedAt: instant.nullable(),
  /** How letters reach them, and whether they have stopped them themselves. */
  letters: z.object({ by: lettersBy, stopped: z.boolean() }),
  /** Whom they stand for; of a guardian since when they have agreed, null where they have not yet. */
  clients: z.array(z.object({ id, name: z.string(), agreedAt: instant.nullable() })),
});
export type Person = z.infer<typeof person>;

const room = { room: 'joining', access: ['coach'] } as const;
const params = z.object({ accountId: id });

export const listPeople = operation({
  ...room,
  name: 'listPeople',
  method: 'get',
  path: '/api/people',
  about: ['person'],
  summary: 'Everybody who signs in here, by name.',
  response: z.object({ people: z.array(person) }),
});

export const changePerson = operation({
  ...room,
  name: 'changePerson',
  method: 'put',
  path: '/api/people/:accountId',
  about: ['person', 'session'],
  summary: 'Changes the name and the address with which somebody signs in; they are told at the old address and the new one.',
  params,
  body: z.object({ name: written(120), email: z.email('Write an address such as name@example.org.').max(254) }),
  response: done,
});

export const pausePerson = operation({
  ...room,
  name: 'pausePerson',
  method: 'post',
  path: '/api/people/:accountId/pause',
  evenWithoutRoom: true,
  about: ['person'],
  summary:
    'Lets somebody not sign in until that is taken back; wherever they are signed in, they are out at once. Nobody pauses themselves.',
  params,
  body: z.object({ paused: z.boolean() }),
  response: done,
});

export const removePerson = operation({
  ...room,
  name: 'removePerson',
  method: 'delete',
  path: '/api/people/:accountId',
  evenWithoutRoom: true,
  about: ['person', 'client'],
  summary: 'Takes a sign-in away for good. What a client sent and was sent stays with the practice. Nobody removes themselves.',
  params,
  response: done,
});

export const agreeAsGuardian = operation({
  room: 'joining',
  name: 'agreeAsGuardian',
  method: 'post',
  path: '/api/clients/:clientId/agree',
  access: ['guardian'],
  about: ['person', 'session', 'client'],
  summary: 'A guardian agrees, as of now, that footage of their minor is looked at here. Without that nothing of the minor is sent.',
  params: z.object({ clientId: id }),
  response: done,
});

export const changeClient = operation({
  room: 'clients',
  name: 'changeClient',
  method: 'put',
  path: '/api/clients/:clientId',
  access: ['coach'],
  about: ['client', 'request'],
  summary: 'Changes what is known of a client: level, day of birth, what hurts, what was agreed.',
  params: z.object({ clientId: id }),
  body: client.pick({ level: true }).extend({
    name: written(120),
    bornOn: z.iso.date().nullable(),
    about: z.string().trim().max(600),
    hurts: z.array(written(200)).max(20),
    agreements: z.array(written(300)).max(20),
  }),
  response: done,
});
