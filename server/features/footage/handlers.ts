import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import type { Call } from '../../http/route.ts';
import { sendFile } from '../../http/sendFile.ts';
import { visibleClients } from '../access/index.ts';
import * as service from './service.ts';
import type { FootageWatch } from './watch.ts';

export const getFrameTable =
  (house: House) =>
  async ({ account, params, res }: Call<typeof contract.getFrameTable>) => {
    const footage = await service.readyFootage(house, account, params.footageId);
    const table = await service.frameTableOf(house, footage.id);
    res.set('Cache-Control', 'private, max-age=3600');
    return { times: [...table.times], endSeconds: table.endSeconds };
  };

export const getMotion =
  (house: House) =>
  async ({ account, params, res }: Call<typeof contract.getMotion>) => {
    const footage = await service.readyFootage(house, account, params.footageId);
    const motion = await service.motionOf(house, footage.id);
    res.set('Cache-Control', 'private, max-age=3600');
    return motion;
  };

export const streamReviewCopy =
  (house: House) =>
  async ({ account, params, res }: Call<typeof contract.streamReviewCopy>) => {
    const footage = await service.readyFootage(house, account, params.footageId);
    await sendFile(res, house.storage.reviewCopy(footage.id), 'video/mp4');
  };

export const getPoster =
  (house: House) =>
  async ({ account, params, res }: Call<typeof contract.getPoster>) => {
    const footage = await service.readyFootage(house, account, params.footageId);
    await sendFile(res, house.storage.poster(footage.id), 'image/jpeg');
  };

export const watchFootages =
  (watch: FootageWatch) =>
  async ({ account, req, res }: Call<typeof contract.watchFootages>) => {
    res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' });
    res.flushHeaders();
    res.write(': listening\n\n');
    const leave = watch.listen({
      clientIds: visibleClients(account),
      send: (progress) => void res.write(`data: ${JSON.stringify(progress)}\n\n`),
      keepAlive: () => void res.write(': still here\n\n'),
    });
    req.on('close', leave);
  };

export const retryFootage =
  (house: House) =>
  ({ account, params }: Call<typeof contract.retryFootage>) =>
    service.retryFootage(house, account, params.footageId);
