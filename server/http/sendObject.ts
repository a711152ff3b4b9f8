import { pipeline } from 'node:stream/promises';
import type { Request, Response } from 'express';
import { NotStored, type FootageStorage } from '../storage/index.ts';
import { ContractError } from '../house/contractError.ts';

/** Sends a stored object, or the one range of it that is asked for; private to the viewer, and kept by the browser for an hour. */
export async function sendObject(req: Request, res: Response, storage: FootageStorage, key: string, type: string): Promise<void> {
  const size = await storage.size(key);
  if (size === null) throw new ContractError('not-found');
  res.type(type);
  res.set({ 'Cache-Control': 'private, max-age=3600', 'Accept-Ranges': 'bytes' });
  const ranges = req.range(size, { combine: true });
  if (ranges === -1) {
    res.status(416).set('Content-Range', `bytes */${size}`).end();
    return;
  }
  // Several ranges at once are answered with the whole, which is allowed (RFC 9110 §14.2).
  const range = Array.isArray(ranges) && ranges.length === 1 && ranges.type === 'bytes' ? ranges[0]! : null;
  const { start, end } = range ?? { start: 0, end: size - 1 };
  if (range) res.status(206).set('Content-Range', `bytes ${start}-${end}/${size}`);
  res.set('Content-Length', String(end - start + 1));
  if (req.method === 'HEAD' || size === 0) {
    res.end();
    return;
  }
  const body = await storage.open(key, start, end).catch((error: unknown) => {
    throw error instanceof NotStored ? new ContractError('not-found') : error;
  });
  // A viewer who seeks aborts the answer before its end: that is no fault.
  await pipeline(body, res).catch((error: NodeJS.ErrnoException) => {
    if (error.code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error;
  });
}
