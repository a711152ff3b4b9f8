import { promisify } from 'node:util';
import type { Account } from '@lean-mentor/contract';
import bowser from 'bowser';
import type { Request, Response } from 'express';
import type { House } from '../../house/house.ts';
import { tokenOf } from '../../http/session.ts';
import { knownBrowser } from './signInLimits.ts';

/** Where a browser keeps that it has signed in before, and for how long, in ms. */
const knownName = 'lean.known';
const knownCookie = /(?:^|;\s*)lean\.known=([\w.-]+)/;
const knownMs = 365 * 86_400_000;

/** What a browser says of having signed in before; null where it has not. */
export const knownCookieOf = (req: Request): string | null => knownCookie.exec(req.get('cookie') ?? '')?.[1] ?? null;

/** "Firefox on Android", for whoever looks where they are signed in. */
function browserWords(agent: string | undefined): string {
  if (!agent) return 'A browser';
  const { browser, os } = bowser.parse(agent);
  return [browser.name || 'A browser', os.name && `on ${os.name}`].filter(Boolean).join(' ').slice(0, 80);
}

/** Signs somebody in: a new session id, since one that was planted before must be worth nothing after (session fixation). */
export async function beginSession(
  house: House,
  account: Account,
  req: Request,
  res: Response,
): Promise<{ account: Account; token: string }> {
  await promisify(req.session.regenerate.bind(req.session))();
  req.session.accountId = account.id;
  req.session.browser = browserWords(req.get('user-agent'));
  res.cookie(knownName, knownBrowser(house, account.id), {
    httpOnly: true,
    sameSite: 'lax',
    secure: req.secure || house.config.https,
    maxAge: knownMs,
  });
  return { account, token: tokenOf(req) };
}
