import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import * as service from './service.ts';

export const scoringHandlers: Handlers<typeof rooms.scoring> = {
  listRuleSheets: (house) => service.listRuleSheets(house),

  saveRuleSheet: (house, { body }) => service.saveRuleSheet(house, body),

  retireRuleSheet: async (house, { params }) => {
    await service.retireRuleSheet(house, params.familyId);
    return { done: true } as const;
  },

  chooseBoutSheet: async (house, { account, params, body }) => {
    await service.chooseBoutSheet(house, account, params.boutId, body);
    return { done: true } as const;
  },

  getClientBouts: (house, { params }) => service.getClientBouts(house, params.clientId),

  getPositionWorth: (house) => service.getPositionWorth(house),

  savePositionWorth: (house, { body }) => service.savePositionWorth(house, body),
};
