import type { Account, BodyOf, Operation, ParamsOf, ResponseOf } from '@lean-mentor/contract';
import type { Request, RequestHandler, Response } from 'express';
import type { z } from 'zod';
import { ContractError } from './contractError.ts';
import { accountOf, requireToken } from './session.ts';

/** What a handler is given: checked parameters and body, and who calls. `account` is null only where anyone may call. */
export interface Call<O extends Operation> {
  params: ParamsOf<O>;
  body: BodyOf<O>;
  account: O['access'] extends 'anyone' ? Account | null : Account;
  req: Request;
  res: Response;
}

export interface Route {
  operation: Operation;
  handle: RequestHandler;
}

const fieldsOf = (error: z.ZodError) => error.issues.map((issue) => ({ field: issue.path.join('.') || 'body', why: issue.message }));

function parsed(schema: z.ZodType | undefined, value: unknown): unknown {
  if (!schema) return undefined;
  const read = schema.safeParse(value);
  if (read.success) return read.data;
  const fields = fieldsOf(read.error);
  throw new ContractError('not-valid', { message: `${fields[0]?.field}: ${fields[0]?.why}`, fields });
}

/** What an address names. One that cannot be an address of this operation names nothing: a letter is missing, or it was cut off. */
function named(schema: z.ZodType | undefined, value: unknown): unknown {
  const read = schema?.safeParse(value);
  if (read && !read.success) throw new ContractError('not-found', { fields: fieldsOf(read.error) });
  return read?.data ?? {};
}

/**
 * Binds an operation to its handler: access first, then the token for changes, then the contract's schemas. Operations
 * with a response schema answer through it, so that nothing leaves that the contract does not name; streams write to `res`.
 */
export function route<O extends Operation>(operation: O, handler: (call: Call<O>) => Promise<ResponseOf<O> | void>): Route {
  const { access } = operation as Operation;
  return {
    operation,
    handle: async (req, res) => {
      const account = await accountOf(req);
      if (access !== 'anyone') {
        if (!account) throw new ContractError('not-signed-in');
        if (!access.includes(account.role)) throw new ContractError('not-allowed');
      }
      if (!['get', 'head', 'options'].includes(operation.method)) requireToken(req);
      const call = {
        params: named(operation.params, req.params),
        body: parsed(operation.body, req.body),
        account,
        req,
        res,
      } as Call<O>;
      const answer = await handler(call);
      if (operation.response) res.json((operation.response as z.ZodType).parse(answer));
    },
  };
}
