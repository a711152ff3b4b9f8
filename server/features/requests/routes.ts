import * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { route } from '../../http/route.ts';
import * as handlers from './handlers.ts';

export const requestRoutes = (house: House) => [
  route(contract.createRequest, handlers.createRequest(house)),
  route(contract.listRequests, handlers.listRequests(house)),
];
