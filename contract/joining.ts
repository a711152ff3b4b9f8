import { z } from 'zod';
import { session } from './access.ts';
import { done, id, instant, linkToken, written } from './ids.ts';
import { coaching, everyRole, operation } from './operation.ts';

/** Shortest and longest password; no other rule of form (OWASP ASVS 4.0.3, 2.1). Common ones are refused by the server. */
export const [leastPassword, mostPassword] = [12, 128];
export const newPassword = z
  .string()
  .min(leastPassword, `At least ${leastPassword} characters: four plain words do well.`)
  .max(mostPassword, `At most ${mostPassword} characters.`);
const email = z.email('Write an address such as name@example.org.').max(254);
const byToken = z.object({ token: linkToken });

/** Who can be invited: a coach is made by hand (npm run account). */
export const invitedRoles = ['assistant', 'client', 'guardian'] as const;
export type InvitedRole = (typeof invitedRoles)[number];

export const invitation = z.object({
  id,
  role: z.enum(invitedRoles),
  name: z.string(),
  email: z.string(),
  /** Whose guardian; null for others. */
  clientName: z.string().nullable(),
  madeAt: instant,
  /** Its link opens until then. */
  expiresAt: instant,
  state: z.enum(['open', 'expired', 'accepted']),
});
export type Invitation = z.infer<typeof invitation>;

const person = { name: written(120), email };
export const invitationWanted = z.discriminatedUnion('role', [
  z.object({ role: z.literal('assistant'), ...person }),
  z.object({
    role: z.literal('client'),
    ...person,
    level: z.int().min(1).max(5),
    /** Calendar day; whoever is under 18 needs a guardian to send anything. */
    bornOn: z.iso.date().nullable(),
  }),
  z.object({ role: z.literal('guardian'), ...person, clientId: id }),
]);
export type InvitationWanted = z.infer<typeof invitationWanted>;

const all = z.object({ invitations: z.array(invitation) });

export const listInvitations = operation({
  name: 'listInvitations',
  room: 'joining',
  method: 'get',
  path: '/api/invitations',
  access: ['coach'],
  about: ['person'],
  summary: 'Who was invited, the latest first.',
  response: all,
});

export const invite = operation({
  name: 'invite',
  room: 'joining',
  method: 'post',
  path: '/api/invitations',
  access: ['coach'],
  about: ['person', 'letter'],
  summary: 'Writes a letter with a one-time link to somebody who shall sign in here. A guardian who does already is linked at once.',
  body: invitationWanted,
  response: z.object({ invitation: invitation.nullable() }),
});

export const inviteAgain = operation({
  name: 'inviteAgain',
  room: 'joining',
  method: 'post',
  path: '/api/invitations/:invitationId/again',
  access: ['coach'],
  about: ['person', 'letter'],
  summary: 'Writes the letter once more, with another link; the one before opens nothing then.',
  params: z.object({ invitationId: id }),
  response: invitation,
});

export const takeBackInvitation = operation({
  name: 'takeBackInvitation',
  room: 'joining',
  method: 'delete',
  path: '/api/invitations/:invitationId',
  access: ['coach'],
  about: ['person'],
  summary: 'Takes an invitation back that was not accepted yet: its link opens nothing any more.',
  params: z.object({ invitationId: id }),
  response: done,
});

export const readInvitation = operation({
  name: 'readInvitation',
  room: 'joining',
  method: 'get',
  path: '/api/join/:token',
  access: 'anyone',
  summary: 'What a one-time link invites to.',
  params: byToken,
  response: z.object({
    name: z.string(),
    email: z.string(),
    role: z.enum(invitedRoles),
    clientName: z.string().nullable(),
    /** Who invites. */
    from: z.string(),
  }),
});

export const acceptInvitation = operation({
  name: 'acceptInvitation',
  room: 'joining',
  method: 'post',
  path: '/api/join/:token',
  access: 'anyone',
  evenWithoutRoom: true,
  about: ['session', 'person'],
  summary: 'Accepts an invitation with a password of one’s own, and signs in.',
  params: byToken,
  body: z.object({ password: newPassword }),
  response: session,
});

export const askNewPassword = operation({
  name: 'askNewPassword',
  room: 'joining',
  method: 'post',
  path: '/api/forgotten',
  access: 'anyone',
  about: ['letter'],
  summary: 'Writes a letter with a one-time link to whoever signs in with this address. The answer is the same where nobody does.',
  body: z.object({ email }),
  response: done,
});

export const setNewPassword = operation({
  name: 'setNewPassword',
  room: 'joining',
  method: 'post',
  path: '/api/forgotten/:token',
  access: 'anyone',
  evenWithoutRoom: true,
  about: ['session'],
  summary: 'Sets a new password by such a link, ends every session of that account, and signs in.',
  params: byToken,
  body: z.object({ password: newPassword }),
  response: session,
});

export const changePassword = operation({
  name: 'changePassword',
  room: 'joining',
  method: 'post',
  path: '/api/account/password',
  access: everyRole,
  evenWithoutRoom: true,
  about: ['own-session'],
  summary: 'Sets another password with the present one, and ends all other sessions.',
  body: z.object({ present: z.string().max(200), password: newPassword }),
  response: done,
});

export const listOwnSessions = operation({
  name: 'listOwnSessions',
  room: 'joining',
  method: 'get',
  path: '/api/account/sessions',
  access: everyRole,
  about: ['own-session'],
  summary: 'Where one is signed in, the latest first.',
  response: z.object({
    sessions: z.array(
      z.object({
        id: z.string(),
        /** With what ("Firefox on Android"). */
        browser: z.string(),
        since: instant,
        until: instant,
        /** The session that asks. */
        here: z.boolean(),
      }),
    ),
  }),
});

export const endOwnSession = operation({
  name: 'endOwnSession',
  room: 'joining',
  method: 'delete',
  path: '/api/account/sessions/:sessionId',
  access: everyRole,
  evenWithoutRoom: true,
  about: ['own-session'],
  summary: 'Ends one of one’s own sessions.',
  params: z.object({ sessionId: z.string().regex(/^[0-9a-f]{32}$/) }),
  response: done,
});

const present = z.string().max(200);
const code = z.string().trim().min(6, 'Six digits, as the device shows them.').max(20);
const factor = '/api/account/second-factor';

export const getSecondFactor = operation({
  name: 'getSecondFactor',
  room: 'joining',
  method: 'get',
  path: factor,
  access: coaching,
  about: ['second-factor'],
  summary: 'Whether a second step is asked for at the door, since when, and how many codes for a lost device are left.',
  response: z.object({ since: instant.nullable(), codesLeft: z.int() }),
});

export const beginSecondFactor = operation({
  name: 'beginSecondFactor',
  room: 'joining',
  method: 'post',
  path: factor,
  access: coaching,
  summary: 'A secret for a device that shows codes (RFC 6238), as text, as an address, and as a picture of that address to be scanned.',
  body: z.object({ present }),
  response: z.object({ secret: z.string(), uri: z.string(), picture: z.string() }),
});

export const confirmSecondFactor = operation({
  name: 'confirmSecondFactor',
  room: 'joining',
  method: 'put',
  path: factor,
  access: coaching,
  about: ['second-factor', 'letter'],
  summary: 'From now on the second step is asked for. Answers the codes for a lost device, once.',
  body: z.object({ code }),
  response: z.object({ codes: z.array(z.string()) }),
});

export const endSecondFactor = operation({
  name: 'endSecondFactor',
  room: 'joining',
  method: 'post',
  path: `${factor}/end`,
  access: coaching,
  about: ['second-factor', 'letter'],
  summary: 'The second step is not asked for any more.',
  body: z.object({ present, code }),
  response: done,
});
