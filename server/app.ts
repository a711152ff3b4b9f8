import { randomUUID } from 'node:crypto';
import { errorTable, rooms, type WireError } from '@lean-mentor/contract';
import compression from 'compression';
import express, { type ErrorRequestHandler, type Express } from 'express';
import helmet from 'helmet';
import { join } from 'node:path';
import { accessHandlers } from './features/access/handlers.ts';
import { findAccount, requireInScope } from './features/access/index.ts';
import { bookHandlers } from './features/book/handlers.ts';
import { boutHandlers } from './features/bouts/handlers.ts';
import { clientHandlers } from './features/clients/handlers.ts';
import { critiqueHandlers } from './features/critique/handlers.ts';
import { linkHandlers } from './features/critique/links/handlers.ts';
import { deskHandlers } from './features/desk/handlers.ts';
import { filmHandlers } from './features/films/handlers.ts';
import { fixHandlers } from './features/fixes/handlers.ts';
import { followupHandlers } from './features/followup/handlers.ts';
import { footageHandlers } from './features/footage/handlers.ts';
import { FootageWatch } from './features/footage/watch.ts';
import { healthHandlers } from './features/health/handlers.ts';
import { joiningHandlers } from './features/joining/handlers.ts';
import { letterHandlers } from './features/letters/handlers.ts';
import { practiceHandlers } from './features/practice/handlers.ts';
import { moneyHandlers } from './features/practice/money/handlers.ts';
import { queueHandlers } from './features/queue/handlers.ts';
import { requestHandlers } from './features/requests/handlers.ts';
import { rightsHandlers } from './features/rights/handlers.ts';
import { leaveTrail } from './features/rights/index.ts';
import { scoringHandlers } from './features/scoring/handlers.ts';
import { searchHandlers } from './features/search/handlers.ts';
import { takeHandlers } from './features/takes/handlers.ts';
import { uploadHandlers } from './features/uploads/handlers.ts';
import { workHandlers } from './features/work/handlers.ts';
import type { House } from './house/house.ts';
import { isDatabaseAway } from './db/isDatabaseAway.ts';
import { saysNoRoom } from './storage/room.ts';
import { ContractError } from './house/contractError.ts';
import { requestLog, wayOf } from './http/requestLog.ts';
import type { Route } from './http/route.ts';
import { serveRoom } from './http/serveRoom.ts';
import { bindHouse, sessions, type Doorkeeper } from './http/session.ts';

/** Only our own files: no inline script, no other host. Konva and React set element styles, hence the style rule. */
const contentPolicy = {
  useDefaults: false,
  directives: {
    defaultSrc: ["'none'"],
    scriptSrc: ["'self'"],
    styleSrc: ["'self'", "'unsafe-inline'"],
    imgSrc: ["'self'", 'data:', 'blob:'],
    mediaSrc: ["'self'", 'blob:'],
    fontSrc: ["'self'"],
    connectSrc: ["'self'"],
    workerSrc: ["'self'", 'blob:'],
    manifestSrc: ["'self'"],
    formAction: ["'self'"],
    baseUri: ["'none'"],
    frameAncestors: ["'none'"],
  },
};

/** Failures that are nobody's fault in this program: said as what they are, so that the caller tries again. */
function knownFault(error: unknown): ContractError | null {
  if (error instanceof ContractError) return error;
  if ((error as { status?: unknown }).status === 404) return new ContractError('not-found');
  if (saysNoRoom(error)) return new ContractError('no-room', { cause: error });
  if (isDatabaseAway(error)) return new ContractError('starting-again', { cause: error });
  return null;
}

function answerError(house: House): ErrorRequestHandler {
  return (error: unknown, req, res, next) => {
    if (res.headersSent) return next(error);
    const known = knownFault(error);
    const reference = known ? undefined : randomUUID().slice(0, 8);
    const shown = known ?? new ContractError('unknown');
    if (!known) house.log.error({ err: error, reference, method: req.method, way: wayOf(req) }, 'request failed');
    const body: WireError = {
      code: shown.code,
      message: shown.message,
      ...(shown.fields && { fields: shown.fields }),
      ...(reference && { reference }),
    };
    res.status(errorTable[shown.code].status).json(body);
  };
}

export interface OpenApp {
  app: Express;
  routes: readonly Route[];
  /** Ends what the app keeps running on its own. */
  close: () => void;
}

/** Every room's operations and who answers them. */
const everyRoute = (house: House, watch: FootageWatch): Route[] => [
  ...serveRoom(house, rooms.access, accessHandlers),
  ...serveRoom(house, rooms.joining, joiningHandlers),
  ...serveRoom(house, rooms.clients, clientHandlers),
  ...serveRoom(house, rooms.requests, requestHandlers),
  ...serveRoom(house, rooms.footage, footageHandlers(watch)),
  ...serveRoom(house, rooms.uploads, uploadHandlers(house)),
  ...serveRoom(house, rooms.bouts, boutHandlers),
  ...serveRoom(house, rooms.practice, practiceHandlers),
  ...serveRoom(house, rooms.money, moneyHandlers),
  ...serveRoom(house, rooms.queue, queueHandlers),
  ...serveRoom(house, rooms.desk, deskHandlers),
  ...serveRoom(house, rooms.scoring, scoringHandlers),
  ...serveRoom(house, rooms.book, bookHandlers),
  ...serveRoom(house, rooms.fixes, fixHandlers),
  ...serveRoom(house, rooms.critique, critiqueHandlers),
  ...serveRoom(house, rooms.links, linkHandlers),
  ...serveRoom(house, rooms.followup, followupHandlers),
  ...serveRoom(house, rooms.search, searchHandlers),
  ...serveRoom(house, rooms.takes, takeHandlers),
  ...serveRoom(house, rooms.films, filmHandlers),
  ...serveRoom(house, rooms.letters, letterHandlers),
  ...serveRoom(house, rooms.work, workHandlers),
  ...serveRoom(house, rooms.rights, rightsHandlers),
  ...serveRoom(house, rooms.health, healthHandlers),
];

/** Orders addresses so that a word stands before a parameter in its place: `/footages/:id` would take "watch" for an id. */
function literalFirst(a: Route, b: Route): number {
  const [one, other] = [a, b].map(({ operation }) => operation.path.split('/'));
  const at = one!.findIndex((part, i) => part.startsWith(':') !== (other![i]?.startsWith(':') ?? part.startsWith(':')));
  return at < 0 ? 0 : Number(one![at]!.startsWith(':')) - Number(other![at]!.startsWith(':'));
}

const doorkeeper: Doorkeeper = {
  findAccount,
  async letIn(house, account, operation, named) {
    const owners = await requireInScope(house, account, named);
    return () => leaveTrail(house, account, operation, owners);
  },
};

/** The web server's app over a house. */
export function createApp(house: House): OpenApp {
  const app = express();
  bindHouse(app, house, doorkeeper);
  app.disable('x-powered-by');
  // Whose word on the caller's address and on HTTPS is taken: nobody's, unless a proxy is named.
  app.set('trust proxy', house.config.trustedProxies);
  const strictTransport = house.config.https && { maxAge: 365 * 86_400 };
  app.use(helmet({ contentSecurityPolicy: contentPolicy, strictTransportSecurity: strictTransport, crossOriginEmbedderPolicy: false }));
  app.use(requestLog(house));
  const session = sessions(house);
  app.use('/api', session.middleware);
  app.use('/api', (_req, res, next) => {
    res.set('Cache-Control', 'no-store');
    next();
  });

  const watch = new FootageWatch(house);
  const routes = everyRoute(house, watch).sort(literalFirst);
  for (const { operation, handle } of routes) app[operation.method](operation.path, handle);
  app.use('/api', (_req, _res, next) => next(new ContractError('not-found')));

  // Only what is everybody's: an answer with a secret in it, made small, would tell of it by its length.
  app.use('/assets', compression());
  app.use('/assets', express.static(join(house.config.webDir, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(house.config.webDir, { index: false }));
  app.get('/{*page}', (_req, res) => res.sendFile(join(house.config.webDir, 'index.html'), { headers: { 'Cache-Control': 'no-cache' } }));
  app.use(answerError(house));
  return {
    app,
    routes,
    close: () => {
      watch.stop();
      session.stop();
    },
  };
}
