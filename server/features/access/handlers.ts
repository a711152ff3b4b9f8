import { promisify } from 'node:util';
import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { tokenOf } from '../../http/session.ts';
import * as service from './service.ts';
import { knownBrowser } from './signInLimits.ts';

/** Where a browser keeps that it has signed in before, and for how long, in ms. */
const knownName = 'lean.known';
const knownCookie = /(?:^|;\s*)lean\.known=([\w.-]+)/;
const knownMs = 365 * 86_400_000;

export const accessHandlers: Handlers<typeof rooms.access> = {
  getSession: async (_house, { account, req }) => ({ account, token: tokenOf(req) }),

  signIn: async (house, { body, req, res }) => {
    const cookie = knownCookie.exec(req.get('cookie') ?? '')?.[1] ?? null;
    const account = await service.signIn(house, body, { address: req.ip ?? '', cookie });
    // A new session id at sign-in: an id planted before is worth nothing after (session fixation).
    await promisify(req.session.regenerate.bind(req.session))();
    req.session.accountId = account.id;
    res.cookie(knownName, knownBrowser(house, account.id), {
      httpOnly: true,
      sameSite: 'lax',
      secure: req.secure || house.config.https,
      maxAge: knownMs,
    });
    return { account, token: tokenOf(req) };
  },

  signOut: async (_house, { req }) => {
    await promisify(req.session.destroy.bind(req.session))();
    return { account: null, token: tokenOf(req) };
  },
};
