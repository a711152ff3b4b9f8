import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import * as service from './service.ts';

export const queueHandlers: Handlers<typeof rooms.queue> = {
  getToday: (house) => service.getToday(house),
};
