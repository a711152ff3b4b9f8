import { Server as TusServer } from '@tus/server';
import type { Account } from '@lean-mentor/contract';
import type { Request, Response } from 'express';
import type { House } from '../../house.ts';
import { ContractError } from '../../http/contractError.ts';
import { accountOf } from '../../http/session.ts';
import { enqueueJob } from '../../jobs/index.ts';
import { footageArrived } from '../requests/index.ts';
import { changeFootage, findFootageByUpload } from './repository.ts';
import { visibleFootage } from './service.ts';
import { UploadLocker } from './uploadLocker.ts';

/** An error as the tus server wants it thrown. */
const tusError = (error: unknown): { status_code: number; body: string } =>
  error instanceof ContractError
    ? { status_code: error.code === 'already-uploaded' ? 409 : 404, body: error.message }
    : { status_code: 500, body: 'The upload failed on our side.' };

/**
 * The resumable side of sending footage (tus 1.0). An upload belongs to one footage and may only be continued by those
 * who may see it. When the last byte is in, the file becomes the footage's original and a job is put on the list.
 */
export function footageUploads(house: House): { handle: (req: Request, res: Response) => Promise<void> } {
  const accountBehind = async (request: object): Promise<Account> => {
    const express = (request as { runtime?: { node?: { req?: Request } } }).runtime?.node?.req;
    const account = express ? await accountOf(express) : null;
    if (!account) throw new ContractError('not-signed-in');
    return account;
  };
  const server = new TusServer({
    path: '/api/uploads',
    relativeLocation: true,
    datastore: house.storage.uploads,
    locker: new UploadLocker(house),
    onIncomingRequest: async (request, uploadId) => {
      if (request.method === 'POST' || request.method === 'OPTIONS') return;
      try {
        const footage = await findFootageByUpload(house, uploadId);
        if (!footage) throw new ContractError('not-found');
        await visibleFootage(house, await accountBehind(request), footage.id);
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
        await changeFootage(house, footage.id, { uploadId: upload.id });
        return {};
      } catch (error) {
        throw tusError(error);
      }
    },
    onUploadFinish: async (_request, upload) => {
      const footage = await findFootageByUpload(house, upload.id);
      if (!footage) throw tusError(new ContractError('not-found'));
      const originalKey = await house.storage.adoptUpload(upload.id, footage.id);
      await house.db.sequelize.transaction(async (transaction) => {
        await changeFootage(house, footage.id, { state: 'waiting', step: 'Waiting its turn', share: 0, originalKey }, transaction);
        await footageArrived(house, footage.requestId, transaction);
        await enqueueJob(house, 'make-ready', footage.id, { transaction });
      });
      return {};
    },
  });
  return { handle: (req, res) => server.handle(req, res) };
}
