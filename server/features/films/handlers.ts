import type { rooms } from '@lean-mentor/contract';
import { sendObject } from '../../http/sendObject.ts';
import type { Handlers } from '../../http/serveRoom.ts';
import * as service from './service.ts';
import * as shared from './shared.ts';

export const filmHandlers: Handlers<typeof rooms.films> = {
  askTakeFilm: (house, { account, params, body }) => service.askTakeFilm(house, account, params, body),

  listTakeFilms: (house, { params }) => service.listTakeFilms(house, params),

  askSentFilm: (house, { account, params, body }) => service.askSentFilm(house, account, params, body),

  listSentFilms: (house, { account, params }) => service.listSentFilms(house, account, params),

  stopFilm: async (house, { account, params }) => {
    await service.stopFilm(house, account, params.filmId);
    return { done: true } as const;
  },

  getSharedFilm: (house, { params }) => shared.getSharedFilm(house, params),

  askSharedFilm: (house, { params }) => shared.askSharedFilm(house, params),

  streamSharedFilm: async (house, { params, req, res }) => {
    await sendObject(req, res, house.storage, await shared.sharedFilm(house, params), 'video/mp4');
  },

  streamFilm: async (house, { account, params, req, res }) => {
    const { key, name } = await service.takeFilm(house, account, params.filmId);
    res.attachment(name);
    await sendObject(req, res, house.storage, key, 'video/mp4');
  },

  getFilmWords: async (house, { account, params, res }) => {
    const { name, text } = await service.filmWords(house, account, params.filmId, params.form);
    res
      .attachment(name)
      .type(params.form === 'vtt' ? 'text/vtt' : 'text/plain')
      .send(text);
  },
};
