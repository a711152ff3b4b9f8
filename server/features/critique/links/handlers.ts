import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../../http/serveRoom.ts';
import { sendObject } from '../../../http/sendObject.ts';
import * as service from './service.ts';

export const linkHandlers: Handlers<typeof rooms.links> = {
  listReadLinks: (house, { account, params }) => service.listReadLinks(house, account, params.critiqueId),

  makeReadLink: (house, { account, params, body }) => service.makeReadLink(house, account, params.critiqueId, body),

  endReadLink: async (house, { params }) => {
    await service.endReadLink(house, params.critiqueId, params.linkId);
    return { done: true } as const;
  },

  getSharedCritique: (house, { params }) => service.getSharedCritique(house, params.token),

  getSharedStill: async (house, { params, req, res }) => {
    await sendObject(req, res, house.storage, await service.getSharedStill(house, params), 'image/png');
  },

  getSharedClip: async (house, { params, req, res }) => {
    await sendObject(req, res, house.storage, await service.getSharedClip(house, params.token, params.noteId), 'video/mp4');
  },

  getSharedCoachClip: async (house, { params, req, res }) => {
    await sendObject(req, res, house.storage, await service.getSharedCoachClip(house, params.token, params.clipId), 'video/mp4');
  },

  getSharedVoice: async (house, { params, req, res }) => {
    await sendObject(req, res, house.storage, await service.getSharedVoice(house, params.token, params.place), 'audio/mp4');
  },
};
