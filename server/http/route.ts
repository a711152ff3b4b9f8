import type { Account, BodyOf, Operation, ParamsOf, ResponseOf } from '@lean-mentor/contract';
import type { Request, RequestHandler, Response } from 'express';
import type { z } from 'zod';
import { ContractError } from '../house/contractError.ts';
import type { House } from '../house/house.ts';
import { readBody } from './readBody.ts';
import { accountOf, letIn, requireToken } from './session.ts';

/** What a handler is given: checked parameters and body, and who calls. `account` is null only where anyone may call. */
export interface Call<O extends Operation> {
  params: ParamsOf<O>;
  body: BodyOf<O>;
  account: O['access'] extends 'anyone' ? Account | null : Account;
  req: Request;
  res: Response;
}

export type Handler<O extends Operation> = (house: House, call: Call<O>) => Promise<ResponseOf<O> | void>;

export interface Route {
  operation: Operation;
  handle: RequestHandler;
}

/** So many faults of one body are told: more than that nobody reads. */
const mostFaults = 50;
const fieldsOf = (error: z.ZodError) =>
  error.issues.slice(0, mostFaults).map((issue) => ({ field: issue.path.join('.') || 'body', why: issue.message }));

function parsed(schema: z.ZodType, value: unknown): unknown {
  const read = schema.safeParse(value);
  if (read.success) return read.data;
  const fields = fieldsOf(read.error);
  throw new ContractError('not-valid', { message: `${fields[0]?.field}: ${fields[0]?.why}`, fields });
}

/** What an address names. One that cannot be an address of this operation names nothing: a letter is missing, or it was cut off. */
function named(schema: z.ZodType | undefined, value: unknown): Record<string, unknown> {
  const read = schema?.safeParse(value);
  if (read && !read.success) throw new ContractError('not-found', { fields: fieldsOf(read.error) });
  return (read?.data ?? {}) as Record<string, unknown>;
}

/**
 * Binds an operation to its handler: who calls, the token for changes, whether what the address names is theirs to see, a note that they
 * were let in (`letIn`), and only then the body, within the operation's limits and the contract's schema. Operations with a response
 * schema answer through it, so that nothing leaves that the contract does not name; streams write to `res`.
 */
export function route<O extends Operation>(house: House, operation: O, handler: Handler<O>): Route {
  const { access, body, evenWithoutRoom, method, params, response } = operation as Operation;
  return {
    operation,
    handle: async (req, res) => {
      const account = await accountOf(req);
      if (access !== 'anyone') {
        if (!account) throw new ContractError('not-signed-in');
        if (!access.includes(account.role)) throw new ContractError('not-allowed');
      }
      const reads = ['get', 'head', 'options'].includes(method);
      if (!reads) requireToken(req);
      if (!reads && !evenWithoutRoom) house.room.require(null);
      const names = named(params, req.params);
      const leaveTrail = access === 'anyone' ? null : await letIn(req, account!, operation, names);
      // Nobody sees anything before it is noted.
      if (reads) await leaveTrail?.();
      const call = {
        params: names,
        body: body && parsed(body, await readBody(operation, req, res)),
        account,
        req,
        res,
      } as Call<O>;
      const answer = await handler(house, call);
      // It was done, whatever becomes of the note.
      if (!reads) await leaveTrail?.().catch((error: unknown) => house.log.error({ err: error }, 'a change was not noted'));
      if (response) res.json((response as z.ZodType).parse(answer));
    },
  };
}
