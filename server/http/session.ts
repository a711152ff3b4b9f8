import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import type { Account, Operation } from '@lean-mentor/contract';
import connectSessionSequelize from 'connect-session-sequelize';
import type { Request, RequestHandler } from 'express';
import session, { type SessionData } from 'express-session';
import type { House } from '../house/house.ts';
import { ContractError } from '../house/contractError.ts';
import { openSession, sessionTable } from '../db/sessionTable.ts';

declare module 'express-session' {
  interface SessionData {
    accountId: string;
    /** With what it was begun, in words. */
    browser: string;
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
  // The library finds an expired session until its next sweep.
  store.get = (sid: string, done: (error: unknown, session?: SessionData | null) => void) => {
    openSession(house.db.sequelize, sid).then(
      (data) => done(null, data === null ? null : (JSON.parse(data) as SessionData)),
      (error: unknown) => done(error),
    );
  };
  return {
    middleware: session({
      name: 'lean.sid',
      secret: house.config.secret,
      store,
      resave: false,
      saveUninitialized: false,
      // Behind HTTPS never without it, whatever the proxy forgets to say.
      cookie: { httpOnly: true, sameSite: 'lax', secure: house.config.https ? true : 'auto', maxAge: days * 86_400_000 },
    }),
    stop: () => store.stopExpiringSessions(),
  };
}

/** Who an account is, and whether it is let in to what an address names: the rooms `access` and `rights` answer. */
export interface Doorkeeper {
  findAccount: (house: House, id: string) => Promise<Account | null>;
  /**
   * Throws where anything that the address of an operation names is not there for this account. Answers what notes that the account was
   * let in: called before it sees anything, or once it has changed something.
   */
  letIn: (house: House, account: Account, operation: Operation, named: Readonly<Record<string, unknown>>) => Promise<() => Promise<void>>;
}

const bound = new WeakMap<object, { house: House; doorkeeper: Doorkeeper }>();
/** Ties the app to its house, and to who knows the accounts that sessions name. */
export const bindHouse = (app: object, house: House, doorkeeper: Doorkeeper): void => void bound.set(app, { house, doorkeeper });
export const houseOf = (req: Request): House => bound.get(req.app)!.house;

/** The account of the request's session, or null. Asked of the database each time, so a removed account is out at once. */
export async function accountOf(req: Request): Promise<Account | null> {
  const id = req.session?.accountId;
  const { house, doorkeeper } = bound.get(req.app)!;
  return id ? doorkeeper.findAccount(house, id) : null;
}

/** Lets an account in to what the request's address names (`Doorkeeper`). */
export function letIn(
  req: Request,
  account: Account,
  operation: Operation,
  named: Readonly<Record<string, unknown>>,
): Promise<() => Promise<void>> {
  const { house, doorkeeper } = bound.get(req.app)!;
  return doorkeeper.letIn(house, account, operation, named);
}

/** How long the token of a page on which nobody is signed in holds, in ms. */
const visitMs = days * 86_400_000;
const signed = (house: House, until: string): string =>
  `${until}.${createHmac('sha256', house.config.secret).update(`visit ${until}`).digest('base64url')}`;

/**
 * The token that changes of this page carry: the session's own; before signing in one that the server can check without having kept
 * anything, so that a visit leaves no row.
 */
export function tokenOf(req: Request): string {
  const house = houseOf(req);
  if (!req.session?.accountId) return signed(house, String(house.now().getTime() + visitMs));
  req.session.token ??= randomBytes(24).toString('base64url');
  return req.session.token;
}

function expectedToken(req: Request, given: string): string {
  if (req.session?.accountId) return req.session.token ?? '';
  const until = given.split('.')[0]!;
  return Number(until) > houseOf(req).now().getTime() ? signed(houseOf(req), until) : '';
}

/** Refuses a change that does not carry the page's token. */
export function requireToken(req: Request): void {
  const text = req.get('x-lean-token') ?? '';
  const [given, expected] = [Buffer.from(text), Buffer.from(expectedToken(req, text))];
  if (expected.length === 0 || expected.length !== given.length || !timingSafeEqual(expected, given)) throw new ContractError('stale-page');
}
