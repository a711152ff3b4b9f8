import type { rooms } from '@lean-mentor/contract';
import { sendObject } from '../../http/sendObject.ts';
import type { Handlers } from '../../http/serveRoom.ts';
import * as service from './service.ts';
import { takeAsFile } from './takeFile.ts';
import { askTakeWords, getTakeWords } from './words.ts';

export const takeHandlers: Handlers<typeof rooms.takes> = {
  saveTakePiece: async (house, { params, body }) => {
    await service.saveTakePiece(house, params, body);
    return { done: true } as const;
  },

  finishTake: (house, { params, body }) => service.finishTake(house, params.requestId, params.takeId, body),

  listTakes: (house, { params }) => service.listTakes(house, params.requestId),

  getTakeLog: (house, { params }) => service.getTakeLog(house, params.requestId, params.takeId),

  askTakeWords: (house, { params, body }) => askTakeWords(house, params, body),

  getTakeWords: (house, { params }) => getTakeWords(house, params),

  getTakeFile: async (house, { params, res }) => {
    const { name, bytes } = await takeAsFile(house, params);
    res.attachment(name).type('application/zip').send(bytes);
  },

  streamTakeVoice: async (house, { params, req, res }) => {
    const key = await service.takeVoice(house, params);
    await sendObject(req, res, house.storage, key, 'audio/mp4');
  },
};
