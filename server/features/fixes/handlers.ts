import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { listDoubts } from './doubts.ts';
import * as service from './service.ts';

export const fixHandlers: Handlers<typeof rooms.fixes> = {
  getLadder: (house, { params }) => service.getLadder(house, params.requestId),

  listDoubts: (house) => listDoubts(house),

  saveFixChoice: (house, { params, body }) => service.saveFixChoice(house, params.requestId, body),

  saveOwnSchool: (house, { body }) => service.saveOwnSchool(house, body),

  listFixOrders: (house) => service.listFixOrders(house),
};
