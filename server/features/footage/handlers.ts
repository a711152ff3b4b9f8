import { getPoster, getStrip, streamReviewCopy, type rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { sendObject } from '../../http/sendObject.ts';
import { editionCopyKey, posterKey, reviewCopyKey, stripKey } from '../../storage/index.ts';
import * as service from './service.ts';
import type { FootageWatch } from './watch.ts';

/** What is made from ready footage does not change: the browser may keep it for an hour. */
const keepAnHour = 'private, max-age=3600';

export const footageHandlers = (watch: FootageWatch): Handlers<typeof rooms.footage> => ({
  getFrameTable: async (house, { account, params, res }) => {
    const footage = await service.readyFootage(house, account, params.footageId);
    const table = await service.frameTableOf(house, footage.id);
    res.set('Cache-Control', keepAnHour);
    return { times: [...table.times], endSeconds: table.endSeconds };
  },

  getMotion: async (house, { account, params, res }) => {
    const footage = await service.readyFootage(house, account, params.footageId);
    const motion = await service.motionOf(house, footage.id);
    res.set('Cache-Control', keepAnHour);
    return motion;
  },

  getSound: async (house, { account, params, res }) => {
    const footage = await service.readyFootage(house, account, params.footageId);
    const sound = await service.soundOf(house, footage.id);
    res.set('Cache-Control', keepAnHour);
    return sound;
  },

  getViewing: (house, { account, params, req }) => service.getViewing(house, account, req.sessionID, params.footageId),

  getEdition: (house, { account, params, req }) => service.getEdition(house, account, req.sessionID, params),

  streamEdition: async (house, { account, params, req, res }) => {
    await service.viewedEdition(house, account, req.sessionID, params, req.query);
    await sendObject(req, res, house.storage, editionCopyKey(params.footageId, params.edition), 'video/mp4');
  },

  streamReviewCopy: async (house, { account, params, req, res }) => {
    const footage = await service.viewedFootage(house, account, req.sessionID, params.footageId, streamReviewCopy, req.query);
    await sendObject(req, res, house.storage, reviewCopyKey(footage.id), 'video/mp4');
  },

  getPoster: async (house, { account, params, req, res }) => {
    const footage = await service.viewedFootage(house, account, req.sessionID, params.footageId, getPoster, req.query);
    await sendObject(req, res, house.storage, posterKey(footage.id), 'image/jpeg');
  },

  getStrip: async (house, { account, params, req, res }) => {
    const footage = await service.viewedFootage(house, account, req.sessionID, params.footageId, getStrip, req.query);
    await sendObject(req, res, house.storage, stripKey(footage.id), 'image/jpeg');
  },

  getFrameStill: async (house, { account, params, res }) => {
    const picture = await service.frameStillOf(house, account, params.footageId, params.frame);
    res.set('Cache-Control', keepAnHour).type('image/jpeg').send(picture);
  },

  watchFootages: async (_house, { account, req, res }) => {
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
  },

  retryFootage: (house, { account, params }) => service.retryFootage(house, account, params.footageId),

  saveAlignment: (house, { account, params, body }) => service.saveAlignment(house, account, params.footageId, body.alignment),
});
