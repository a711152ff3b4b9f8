import { z } from 'zod';
import { id, written } from './ids.ts';
import { everyRole, operation } from './operation.ts';

/** `clients`: those the account stands for, itself for a client, the minors for a guardian; none on the coaching side.
 * `agreed`: of a guardian whether they have agreed to what is done with the minor's footage; true for others. */
export const account = z.object({
  id,
  name: z.string(),
  role: z.enum(everyRole),
  clients: z.array(z.object({ id, name: z.string(), agreed: z.boolean() })),
});
export type Account = z.infer<typeof account>;

export const session = z.object({ account: account.nullable(), token: z.string() });

export const getSession = operation({
  name: 'getSession',
  room: 'access',
  method: 'get',
  path: '/api/session',
  access: 'anyone',
  about: ['session'],
  summary: 'Who is signed in, and the token that changes must carry in the header x-lean-token.',
  response: session,
});

export const signIn = operation({
  name: 'signIn',
  room: 'access',
  method: 'post',
  path: '/api/session',
  access: 'anyone',
  evenWithoutRoom: true,
  about: ['session'],
  summary: 'Sign in with address and password, and where there is a second step its code.',
  body: z.object({
    email: z.email('Write an address such as name@example.org.').max(254),
    password: written(200),
    code: z.string().trim().max(20).optional(),
  }),
  response: session,
});

export const signOut = operation({
  name: 'signOut',
  room: 'access',
  method: 'delete',
  path: '/api/session',
  access: everyRole,
  evenWithoutRoom: true,
  summary: 'Sign out; the session is removed.',
  response: session,
});
