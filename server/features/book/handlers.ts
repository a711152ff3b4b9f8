import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { sendObject } from '../../http/sendObject.ts';
import { clipPosterKey, clipVideoKey } from '../../storage/index.ts';
import * as entries from './entries.ts';
import * as service from './service.ts';

export const bookHandlers: Handlers<typeof rooms.book> = {
  listClips: (house) => service.listClips(house),

  addClip: (house, { body }) => service.addClip(house, body),

  saveClipVideo: (house, { params, req }) => service.saveClipVideo(house, params.clipId, req),

  renameClip: (house, { params, body }) => service.renameClip(house, params.clipId, body.title),

  removeClip: async (house, { params }) => {
    await service.removeClip(house, params.clipId);
    return { done: true } as const;
  },

  streamClip: async (house, { params, req, res }) => {
    const { id } = await service.clipOr404(house, params.clipId);
    await sendObject(req, res, house.storage, clipVideoKey(id), 'video/mp4');
  },

  getClipPoster: async (house, { params, req, res }) => {
    const { id } = await service.clipOr404(house, params.clipId);
    await sendObject(req, res, house.storage, clipPosterKey(id), 'image/jpeg');
  },

  getBook: (house) => entries.getBook(house),

  saveBookPrinciple: (house, { params, body }) => entries.saveBookPrinciple(house, params.principleId, body),

  removeBookPrinciple: async (house, { params }) => {
    await entries.removeBookPrinciple(house, params.principleId);
    return { done: true } as const;
  },

  mergeBookPrinciples: async (house, { params, body }) => ({
    done: true as const,
    notes: await entries.mergeBookPrinciples(house, params.principleId, body.intoId),
  }),

  saveBookDrill: (house, { params, body }) => entries.saveBookDrill(house, params.drillId, body),

  removeBookDrill: async (house, { params }) => {
    await entries.removeBookDrill(house, params.drillId);
    return { done: true } as const;
  },

  importBook: (house, { body }) => entries.importBook(house, body),

  addStarterBook: (house) => entries.addStarterBook(house),
};
