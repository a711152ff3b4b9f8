import * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import type { Call } from '../../http/route.ts';
import { sendObject } from '../../http/sendObject.ts';
import { posterKey, reviewCopyKey, stripKey } from '../../storage/index.ts';
import * as editing from './editBouts.ts';
import * as service from './service.ts';
import type { FootageWatch } from './watch.ts';

/** What is made from ready footage does not change: the browser may keep it for an hour. */
const keepAnHour = 'private, max-age=3600';

export const getFrameTable =
  (house: House) =>
  async ({ account, params, res }: Call<typeof contract.getFrameTable>) => {
    const footage = await service.readyFootage(house, account, params.footageId);
    const table = await service.frameTableOf(house, footage.id);
    res.set('Cache-Control', keepAnHour);
    return { times: [...table.times], endSeconds: table.endSeconds };
  };

export const getMotion =
  (house: House) =>
  async ({ account, params, res }: Call<typeof contract.getMotion>) => {
    const footage = await service.readyFootage(house, account, params.footageId);
    const motion = await service.motionOf(house, footage.id);
    res.set('Cache-Control', keepAnHour);
    return motion;
  };

export const getSound =
  (house: House) =>
  async ({ account, params, res }: Call<typeof contract.getSound>) => {
    const footage = await service.readyFootage(house, account, params.footageId);
    const sound = await service.soundOf(house, footage.id);
    res.set('Cache-Control', keepAnHour);
    return sound;
  };

export const getViewing =
  (house: House) =>
  ({ account, params, req }: Call<typeof contract.getViewing>) =>
    service.getViewing(house, account, req.sessionID, params.footageId);

export const streamReviewCopy =
  (house: House) =>
  async ({ account, params, req, res }: Call<typeof contract.streamReviewCopy>) => {
    const footage = await service.viewedFootage(house, account, req.sessionID, params.footageId, contract.streamReviewCopy, req.query);
    await sendObject(req, res, house.storage, reviewCopyKey(footage.id), 'video/mp4');
  };

export const getPoster =
  (house: House) =>
  async ({ account, params, req, res }: Call<typeof contract.getPoster>) => {
    const footage = await service.viewedFootage(house, account, req.sessionID, params.footageId, contract.getPoster, req.query);
    await sendObject(req, res, house.storage, posterKey(footage.id), 'image/jpeg');
  };

export const getStrip =
  (house: House) =>
  async ({ account, params, req, res }: Call<typeof contract.getStrip>) => {
    const footage = await service.viewedFootage(house, account, req.sessionID, params.footageId, contract.getStrip, req.query);
    await sendObject(req, res, house.storage, stripKey(footage.id), 'image/jpeg');
  };

export const getFrameStill =
  (house: House) =>
  async ({ account, params, res }: Call<typeof contract.getFrameStill>) => {
    const picture = await service.frameStillOf(house, account, params.footageId, params.frame);
    res.set('Cache-Control', keepAnHour).type('image/jpeg').send(picture);
  };

export const watchFootages =
  (watch: FootageWatch) =>
  async ({ account, req, res }: Call<typeof contract.watchFootages>) => {
    res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' });
    res.flushHeaders();
    res.write(': listening\n\n');
    const leave = watch.listen({
      account,
      sessionId: req.sessionID,
      end: () => void res.end(),
      send: (progress) => void res.write(`data: ${JSON.stringify(progress)}\n\n`),
      keepAlive: () => void res.write(': still here\n\n'),
    });
    req.on('close', leave);
  };

export const retryFootage =
  (house: House) =>
  ({ account, params }: Call<typeof contract.retryFootage>) =>
    service.retryFootage(house, account, params.footageId);

export const editBouts =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.editBouts>) =>
    editing.editBouts(house, account, params.footageId, body.edits);

export const saveAlignment =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.saveAlignment>) =>
    service.saveAlignment(house, account, params.footageId, body.alignment);
