import { promisify } from 'node:util';
import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import type { Call } from '../../http/route.ts';
import { tokenOf } from '../../http/session.ts';
import * as service from './service.ts';

export const getSession =
  () =>
  async ({ account, req }: Call<typeof contract.getSession>) => ({ account, token: tokenOf(req) });

export const signIn =
  (house: House) =>
  async ({ body, req }: Call<typeof contract.signIn>) => {
    const account = await service.signIn(house, body.email, body.password);
    // A new session id at sign-in: an id planted before is worth nothing after (session fixation).
    await promisify(req.session.regenerate.bind(req.session))();
    req.session.accountId = account.id;
    return { account, token: tokenOf(req) };
  };

export const signOut =
  () =>
  async ({ req }: Call<typeof contract.signOut>) => {
    await promisify(req.session.regenerate.bind(req.session))();
    return { account: null, token: tokenOf(req) };
  };
