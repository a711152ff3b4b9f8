import type { rooms } from '@lean-mentor/contract';
import type { Request } from 'express';
import type { Handlers } from '../../http/serveRoom.ts';
import { tokenOf } from '../../http/session.ts';
import { beginSession, knownCookieOf, putAgreement } from '../access/index.ts';
import * as invitations from './invitations.ts';
import * as people from './people.ts';
import * as passwords from './passwords.ts';
import * as sessions from './ownSessions.ts';
import * as secondStep from './secondStep.ts';
import type { From } from './secondStep.ts';

const done = { done: true } as const;
const fromOf = (req: Request): From => ({ address: req.ip ?? '', cookie: knownCookieOf(req) });

export const joiningHandlers: Handlers<typeof rooms.joining> = {
  listInvitations: async (house) => ({ invitations: await invitations.listInvitations(house) }),

  invite: async (house, { account, body }) => ({ invitation: await invitations.invite(house, account, body) }),

  inviteAgain: (house, { account, params }) => invitations.inviteAgain(house, account, params.invitationId),

  takeBackInvitation: async (house, { params }) => {
    await invitations.takeBackInvitation(house, params.invitationId);
    return done;
  },

  readInvitation: (house, { params }) => invitations.readInvitation(house, params.token),

  acceptInvitation: async (house, { params, body, req, res }) =>
    beginSession(house, await invitations.acceptInvitation(house, params.token, body.password), req, res),

  askNewPassword: async (house, { body }) => {
    await passwords.askNewPassword(house, body.email);
    return done;
  },

  setNewPassword: async (house, { params, body, req, res }) => {
    const { account, comesIn } = await passwords.setNewPassword(house, params.token, body.password);
    await sessions.endSessionsOf(house, account.id, null);
    return comesIn ? beginSession(house, account, req, res) : { account: null, token: tokenOf(req) };
  },

  changePassword: async (house, { account, body, req }) => {
    await passwords.changePassword(house, account, body, fromOf(req));
    await sessions.endSessionsOf(house, account.id, req.sessionID);
    return done;
  },

  listOwnSessions: async (house, { account, req }) => ({ sessions: await sessions.listOwnSessions(house, account.id, req.sessionID) }),

  getSecondFactor: (house, { account }) => secondStep.getSecondFactor(house, account),

  beginSecondFactor: (house, { account, body, req }) => secondStep.beginSecondFactor(house, account, body.present, fromOf(req)),

  confirmSecondFactor: (house, { account, body }) => secondStep.confirmSecondFactor(house, account, body.code),

  endSecondFactor: async (house, { account, body, req }) => {
    await secondStep.endSecondFactor(house, account, body, fromOf(req));
    return done;
  },

  listPeople: (house) => people.listPeople(house),

  changePerson: async (house, { params, body }) => {
    await people.changePerson(house, params.accountId, body);
    return done;
  },

  pausePerson: async (house, { account, params, body }) => {
    await people.pausePerson(house, account, params.accountId, body.paused);
    return done;
  },

  removePerson: async (house, { account, params }) => {
    await people.removePerson(house, account, params.accountId);
    return done;
  },

  agreeAsGuardian: async (house, { account, params }) => {
    await putAgreement(house, account.id, params.clientId);
    return done;
  },

  endOwnSession: async (house, { account, params }) => {
    await sessions.endOwnSession(house, account.id, params.sessionId);
    return done;
  },
};
