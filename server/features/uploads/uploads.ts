import { Server as TusServer } from '@tus/server';
import type { Account } from '@lean-mentor/contract';
import type { Request, Response } from 'express';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { accountOf } from '../../http/session.ts';
import { finishUpload } from './arriving.ts';
import { changeFootage, findFootageByUpload, visibleFootage } from '../footage/index.ts';
import { UploadLocker } from './uploadLocker.ts';

/** An error as the tus server wants it thrown. */
const tusError = (error: unknown): { status_code: number; body: string } =>
  error instanceof ContractError
    ? { status_code: { 'already-uploaded': 409, 'no-room': 507 }[error.code as string] ?? 404, body: error.message }
    : { status_code: 500, body: 'The upload failed on our side.' };

/** Tells whoever asks how far an upload is that all of it has arrived, where it has: the upload itself is gone then. */
async function answerArrived(house: House, req: Request, res: Response): Promise<boolean> {
  const footage = await findFootageByUpload(house, String(req.params['uploadId']));
  const account = footage && (await accountOf(req));
  if (!footage || !account || !(await visibleFootage(house, account, footage.id).catch(() => null))) return false;
  if (!(await finishUpload(house, footage))) return false;
  const size = String(footage.byteSize);
  res.set({ 'Tus-Resumable': '1.0.0', 'Upload-Offset': size, 'Upload-Length': size }).status(200).end();
  return true;
}

/**
 * The resumable side of sending footage (tus 1.0). An upload belongs to one footage and may only be continued by those
 * who may see it. When the last byte is in, the file becomes the footage's original and a job is put on the list.
 */
export function takeUploads(house: House): (req: Request, res: Response) => Promise<void> {
  const accountBehind = async (request: object): Promise<Account> => {
    const express = (request as { runtime?: { node?: { req?: Request } } }).runtime?.node?.req;
    const account = express ? await accountOf(express) : null;
    if (!account) throw new ContractError('not-signed-in');
    return account;
  };
  const server = new TusServer({
    path: '/api/uploads',
    relativeLocation: true,
    // No other page may send or ask here, so none is told that it might.
    allowedOrigins: () => false,
    datastore: house.storage.uploads,
    locker: new UploadLocker(house),
    onIncomingRequest: async (request, uploadId) => {
      if (request.method === 'POST' || request.method === 'OPTIONS') return;
      try {
        const footage = await findFootageByUpload(house, uploadId);
        if (!footage) throw new ContractError('not-found');
        await visibleFootage(house, await accountBehind(request), footage.id);
        // The disk may have been filled since it was begun. What is there stays, and is gone on with once there is room.
        if (request.method === 'PATCH' && !house.config.s3) house.room.require(null);
      } catch (error) {
        throw tusError(error);
      }
    },
    onUploadCreate: async (request, upload) => {
      try {
        const footageId = upload.metadata?.['footageId'] ?? '';
        const footage = await visibleFootage(house, await accountBehind(request), footageId);
        if (footage.state !== 'uploading') throw new ContractError('already-uploaded');
        if (upload.size !== Number(footage.byteSize))
          throw new ContractError('not-valid', {
            message: `The file is ${upload.size} bytes; ${footage.byteSize} were announced. Choose it again.`,
          });
        if (!house.config.s3) house.room.require(upload.size ?? 0);
        await changeFootage(house, footage.id, { uploadId: upload.id });
        // What an earlier try had sent is of no use any more.
        if (footage.uploadId) await house.storage.removeUpload(footage.uploadId);
        return {};
      } catch (error) {
        throw tusError(error);
      }
    },
    onUploadFinish: async (_request, upload) => {
      const footage = await findFootageByUpload(house, upload.id);
      if (!footage) throw tusError(new ContractError('not-found'));
      await finishUpload(house, footage);
      return {};
    },
    onResponseError: (_request, error) => {
      // Why a piece could not be written its own error does not say.
      if (!house.config.s3 && !house.room.hasFor(null)) return tusError(new ContractError('no-room'));
      if (error instanceof Error) house.log.error({ err: error }, 'an upload failed');
      return undefined;
    },
  });
  return async (req, res) => {
    if (req.method === 'HEAD' && (await answerArrived(house, req, res))) return;
    await server.handle(req, res);
  };
}
