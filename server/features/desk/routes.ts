import * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { route } from '../../http/route.ts';
import * as handlers from './handlers.ts';

export const deskRoutes = (house: House) => [
  route(contract.openDesk, handlers.openDesk(house)),
  route(contract.saveDeskChanges, handlers.saveDeskChanges(house)),
];
