import * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { route } from '../../http/route.ts';
import * as handlers from './handlers.ts';

export const scoringRoutes = (house: House) => [
  route(contract.listRuleSheets, handlers.listRuleSheets(house)),
  route(contract.saveRuleSheet, handlers.saveRuleSheet(house)),
  route(contract.retireRuleSheet, handlers.retireRuleSheet(house)),
  route(contract.chooseBoutSheet, handlers.chooseBoutSheet(house)),
  route(contract.getClientBouts, handlers.getClientBouts(house)),
  route(contract.getPositionWorth, handlers.getPositionWorth(house)),
  route(contract.savePositionWorth, handlers.savePositionWorth(house)),
];
