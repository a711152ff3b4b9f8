import { randomBytes, timingSafeEqual } from 'node:crypto';
import type { Account } from '@lean-mentor/contract';
import connectSessionSequelize from 'connect-session-sequelize';
import type { Request, RequestHandler } from 'express';
import session from 'express-session';
import { findAccount } from '../features/access/index.ts';
import type { House } from '../house.ts';
import { ContractError } from './contractError.ts';
import { sessionTable } from '../db/sessionTable.ts';

declare module 'express-session' {
  interface SessionData {
    accountId: string;
    /** What a page must send back with every change (CSRF). */
    token: string;
  }
}

const days = 14;

/** Sessions in MariaDB. Not touched on every request: parallel requests would overwrite one another (measured). */
export function sessions(house: House): { middleware: RequestHandler; stop: () => void } {
  const Store = connectSessionSequelize(session.Store);
  const store = new Store({
    db: house.db.sequelize,
    table: sessionTable(house.db.sequelize),
    expiration: days * 86_400_000,
    checkExpirationInterval: 15 * 60_000,
    // Known to the library, missing from its types.
    ...({ disableTouch: true } as object),
  });
  return {
    middleware: session({
      name: 'lean.sid',
      secret: house.config.secret,
      store,
      resave: false,
      saveUninitialized: false,
      cookie: { httpOnly: true, sameSite: 'lax', secure: 'auto', maxAge: days * 86_400_000 },
    }),
    stop: () => store.stopExpiringSessions(),
  };
}

const houses = new WeakMap<object, House>();
/** Ties the app to its house so that sessions can be resolved to accounts. */
export const bindHouse = (app: object, house: House): void => void houses.set(app, house);
export const houseOf = (req: Request): House => houses.get(req.app)!;

/** The account of the request's session, or null. Asked of the database each time, so a removed account is out at once. */
export async function accountOf(req: Request): Promise<Account | null> {
  const id = req.session?.accountId;
  return id ? findAccount(houseOf(req), id) : null;
}

/** The session's token, made on first need. */
export function tokenOf(req: Request): string {
  req.session.token ??= randomBytes(24).toString('base64url');
  return req.session.token;
}

/** Refuses a change that does not carry the session's token. */
export function requireToken(req: Request): void {
  const expected = Buffer.from(req.session?.token ?? '');
  const given = Buffer.from(req.get('x-lean-token') ?? '');
  if (expected.length === 0 || expected.length !== given.length || !timingSafeEqual(expected, given)) throw new ContractError('stale-page');
}
