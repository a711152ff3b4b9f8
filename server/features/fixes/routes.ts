import * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { route } from '../../http/route.ts';
import * as handlers from './handlers.ts';

export const fixRoutes = (house: House) => [
  route(contract.getLadder, handlers.getLadder(house)),
  route(contract.saveFixChoice, handlers.saveFixChoice(house)),
  route(contract.saveOwnSchool, handlers.saveOwnSchool(house)),
  route(contract.listFixOrders, handlers.listFixOrders(house)),
];
