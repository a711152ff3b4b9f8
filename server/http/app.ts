import { randomUUID } from 'node:crypto';
import { errorTable, type WireError } from '@lean-mentor/contract';
import express, { type ErrorRequestHandler, type Express } from 'express';
import helmet from 'helmet';
import { join } from 'node:path';
import { accessRoutes } from '../features/access/routes.ts';
import { bookRoutes } from '../features/book/routes.ts';
import { clientRoutes } from '../features/clients/routes.ts';
import { critiqueRoutes } from '../features/critique/routes.ts';
import { deskRoutes } from '../features/desk/routes.ts';
import { fixRoutes } from '../features/fixes/routes.ts';
import { footageRoutes } from '../features/footage/routes.ts';
import { FootageWatch } from '../features/footage/watch.ts';
import { healthRoutes } from '../features/health/routes.ts';
import { letterRoutes } from '../features/letters/routes.ts';
import { queueRoutes } from '../features/queue/routes.ts';
import { requestRoutes } from '../features/requests/routes.ts';
import { scoringRoutes } from '../features/scoring/routes.ts';
import type { House } from '../house.ts';
import { isDatabaseAway } from '../db/isDatabaseAway.ts';
import { saysNoRoom } from '../storage/room.ts';
import { ContractError } from './contractError.ts';
import { requestLog, wayOf } from './requestLog.ts';
import type { Route } from './route.ts';
import { bindHouse, sessions } from './session.ts';

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

/** The web server's app over a house. */
export function createApp(house: House): OpenApp {
  const app = express();
  bindHouse(app, house);
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
  const routes = [
    ...accessRoutes(house),
    ...clientRoutes(house),
    ...requestRoutes(house),
    ...footageRoutes(house, watch),
    ...queueRoutes(house),
    ...deskRoutes(house),
    ...bookRoutes(house),
    ...scoringRoutes(house),
    ...fixRoutes(house),
    ...critiqueRoutes(house),
    ...letterRoutes(house),
    ...healthRoutes(house),
  ];
  for (const { operation, handle } of routes) app[operation.method](operation.path, handle);
  app.use('/api', (_req, _res, next) => next(new ContractError('not-found')));

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
