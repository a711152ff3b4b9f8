import type { Operation } from '@lean-mentor/contract';
import { wellFormed } from '@lean-mentor/contract';
import express, { type Request, type Response } from 'express';
import { ContractError } from '../house/contractError.ts';

/** A JSON body may be so large, in bytes, and hold so many values, unless its operation says otherwise. */
export const usualLimits = { bytes: 64 * 1024, values: 8000 };
/** No body nests deeper: the tree of a critique has about a dozen levels. */
export const deepest = 32;

const [quote, backslash, comma] = [0x22, 0x5c, 0x2c];
const opening = new Set([0x5b, 0x7b]);
const closing = new Set([0x5d, 0x7d]);

/**
 * How deep JSON nests and about how many values it holds, from its bytes alone: reading on stops once `most` is passed. Counted
 * before anything is built of it, since a few megabytes of nested brackets take long to build and longer to check.
 */
export function jsonShape(bytes: Uint8Array, most: { depth: number; values: number }): { depth: number; values: number } {
  let [depth, deepestSeen, values, inText] = [0, 0, 0, false];
  for (let i = 0; i < bytes.length; i++) {
    const byte = bytes[i]!;
    if (inText) {
      if (byte === backslash) i++;
      else if (byte === quote) inText = false;
    } else if (byte === quote) inText = true;
    else if (opening.has(byte)) {
      values++;
      deepestSeen = Math.max(deepestSeen, ++depth);
    } else if (closing.has(byte)) depth--;
    else if (byte === comma) values++;
    if (deepestSeen > most.depth || values > most.values) break;
  }
  return { depth: deepestSeen, values };
}

const readers = new Map<Operation, express.RequestHandler>();

function readerFor(operation: Operation): express.RequestHandler {
  const { bytes, values } = { ...usualLimits, ...operation.limits };
  const reader = express.json({
    limit: bytes,
    verify: (_req, _res, raw) => {
      const shape = jsonShape(raw, { depth: deepest, values });
      if (shape.depth > deepest || shape.values > values) throw new ContractError('too-large');
    },
  });
  readers.set(operation, reader);
  return reader;
}

/** What went wrong with a body, as the contract says it. */
function bodyFault(error: unknown): unknown {
  if (error instanceof ContractError) return error;
  const { status, cause } = error as { status?: unknown; cause?: unknown };
  if (cause instanceof ContractError) return cause;
  if (status === 413) return new ContractError('too-large');
  if (status === 400 || status === 415) return new ContractError('not-valid', { message: 'What was sent is not JSON.' });
  return error;
}

/** Reads the JSON body of an operation within its limits; texts in it are put right. */
export async function readBody(operation: Operation, req: Request, res: Response): Promise<unknown> {
  const reader = readers.get(operation) ?? readerFor(operation);
  await new Promise<void>((resolve, reject) => reader(req, res, (error?: unknown) => (error ? reject(bodyFault(error)) : resolve())));
  return wellFormed(req.body as unknown);
}
