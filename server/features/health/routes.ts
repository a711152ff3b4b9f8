import * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { route } from '../../http/route.ts';
import * as handlers from './handlers.ts';

export const healthRoutes = (house: House) => [
  route(contract.getHealth, handlers.getHealth()),
  route(contract.getReadiness, handlers.getReadiness(house)),
  route(contract.getDocs, handlers.getDocs()),
];
