import * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { route } from '../../http/route.ts';
import * as handlers from './handlers.ts';

export const clientRoutes = (house: House) => [
  route(contract.listClients, handlers.listClients(house)),
  route(contract.getClientHistory, handlers.getClientHistory(house)),
  route(contract.getClientProgress, handlers.getClientProgress(house)),
  route(contract.closeThread, handlers.closeThread(house)),
  route(contract.searchWords, handlers.searchWords(house)),
];
