import type { Request } from 'express';
import { pinoHttp } from 'pino-http';
import type { House } from '../house/house.ts';

/** Errors whose words are made by programs from what people wrote: the SQL with its values, the text that is no JSON, the field's value. */
const tellsContent = (error: Error): boolean =>
  error instanceof SyntaxError ||
  /Sequelize|Sql|Zod/.test(error.constructor.name) ||
  /Sequelize|Sql|Zod/.test(error.name) ||
  'sql' in error ||
  'issues' in error;

interface LoggedError {
  type: string;
  code?: string | number;
  message?: string;
  stack: string[];
  cause?: LoggedError;
}

/**
 * An error as it may be logged: its kind, its code and where it arose. Its words only where they are ours or the system's; an error's
 * other fields never, since a database's hold whole statements with what people wrote.
 */
export function loggedError(error: unknown, depth = 0): LoggedError {
  if (!(error instanceof Error)) return { type: typeof error, stack: [] };
  const { code, errno } = error as { code?: unknown; errno?: unknown };
  const known = [code, errno].find((one): one is string | number => typeof one === 'string' || typeof one === 'number');
  const cause = (error as { original?: unknown }).original ?? error.cause;
  return {
    type: error.constructor.name,
    ...(known !== undefined && { code: known }),
    ...(!tellsContent(error) && { message: error.message }),
    stack: (error.stack ?? '')
      .split('\n')
      .filter((line) => /^\s+at /.test(line))
      .map((line) => line.trim()),
    ...(cause instanceof Error && depth < 3 && { cause: loggedError(cause, depth + 1) }),
  };
}

/** The way of an operation with the names of what it takes, never the ids, codes and tokens of an address. */
export const wayOf = (req: Request): string => (req.route as { path?: string } | undefined)?.path ?? 'no operation';

/** Logs every request by its operation, without addresses, cookies or bodies; failures of the server as errors. */
export const requestLog = (house: House) =>
  pinoHttp({
    logger: house.log,
    autoLogging: { ignore: (req) => req.url === '/api/health' },
    serializers: {
      req: ({ method }: { method: string }) => ({ method }),
      res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
      err: () => undefined,
    },
    customProps: (req) => ({ way: wayOf(req as Request) }),
    customLogLevel: (_req, res) => (res.statusCode >= 500 ? 'error' : 'debug'),
  });
