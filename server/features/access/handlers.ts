import { promisify } from 'node:util';
import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { tokenOf } from '../../http/session.ts';
import { beginSession, knownCookieOf } from './beginSession.ts';
import * as service from './service.ts';

export const accessHandlers: Handlers<typeof rooms.access> = {
  getSession: async (_house, { account, req }) => ({ account, token: tokenOf(req) }),

  signIn: async (house, { body, req, res }) => {
    const account = await service.signIn(house, body, { address: req.ip ?? '', cookie: knownCookieOf(req) });
    return beginSession(house, account, req, res);
  },

  signOut: async (_house, { req }) => {
    await promisify(req.session.destroy.bind(req.session))();
    return { account: null, token: tokenOf(req) };
  },
};
